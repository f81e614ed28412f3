import { invalidate } from '$app/navigation';
import { navigating } from '$app/state';
import { newsOf } from './newsOf';

/** The name under which a page's data depends on live news; see `depends` in the loads. */
export const LIVE = 'kelbrin:live';

/** However fast news come in, the page is loaded anew at most this often. */
const PAUSE_MS = 250;

/**
 * Loads the page's data anew whenever one of the topics changes, for as long as the calling component is shown. The data
 * is also loaded once when the page is followed, since news may have come before, and each time that the connection was
 * lost.
 */
export function follow(topics: () => readonly string[]): void {
  // A string, so that loading the same data anew is no reason to follow anew.
  const wanted = $derived(topics().join(' '));
  $effect(() => {
    if (wanted === '') return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const refresh = () => {
      timer ??= setTimeout(() => {
        timer = undefined;
        // Loading anew would call off a navigation that is under way, as if the link had not been pressed.
        if (navigating.to) return refresh();
        // A page that cannot be loaded just now is loaded on the next news or reconnection.
        invalidate(LIVE).catch(() => {});
      }, PAUSE_MS);
    };
    const unfollow = newsOf(wanted.split(' '), refresh);
    return () => {
      unfollow();
      clearTimeout(timer);
    };
  });
}
