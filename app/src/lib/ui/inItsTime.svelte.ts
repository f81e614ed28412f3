import { untrack } from 'svelte';
import { paced } from './paced';

/**
 * Follows a value in steps that are some time apart, and ends where the value does. For what is beside the thing that
 * somebody drags: drawing it anew with every move would hold up what the eye is on.
 *
 * @param read the value, as a component's state
 * @param apartMs how far apart the steps are at least, ms
 */
export function inItsTime<T>(read: () => T, apartMs: number): { readonly value: T } {
  let value = $state.raw(untrack(read));
  const follow = paced(() => (value = untrack(read)), apartMs);
  $effect(() => {
    read();
    follow();
  });
  $effect(() => follow.cancel);
  return {
    get value() {
      return value;
    },
  };
}
