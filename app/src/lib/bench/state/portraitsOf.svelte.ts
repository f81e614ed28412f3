import { onDestroy } from 'svelte';
import type { BenchState } from './bench.svelte';
import { Portraits } from './portraits.svelte';

/** The pictures of the parts on a bench, drawn when all is known of the one that is shown; for as long as the calling component is there. */
export function portraitsOf(bench: BenchState): Portraits {
  const portraits = new Portraits((recipe, portrayed) => bench.showing.portray(recipe, portrayed));
  $effect(() => {
    if (bench.isChecked) portraits.drawNext(bench.design);
  });
  onDestroy(() => portraits.close());
  return portraits;
}
