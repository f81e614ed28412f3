import { newsOf } from './newsOf';
import { pageAskedMs } from './pageAsked';
import { reloadLive } from './reload';

/** However fast news come in, the page is loaded anew at most this often. */
const PAUSE_MS = 250;

/**
 * Loads the page's data anew whenever one of the topics changes, for as long as the calling component is shown. The data
 * is also loaded once when the page is followed, if news may have come before, and each time that the connection was
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
        // A page that cannot be loaded just now is loaded on the next news or reconnection.
        reloadLive().catch(() => {});
      }, PAUSE_MS);
    };
    const unfollow = newsOf(wanted.split(' '), refresh, pageAskedMs());
    return () => {
      unfollow();
      clearTimeout(timer);
    };
  });
}
