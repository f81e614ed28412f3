import { invalidate } from '$app/navigation';
import { navigating } from '$app/state';

/** The name under which a page's data depends on live news; see `depends` in the loads. */
export const LIVE = 'kelbrin:live';

/** However fast news come in, the page is loaded anew at most this often. */
const PAUSE_MS = 250;

/**
 * Loads the page's data anew whenever one of the topics changes, for as long as the calling component is shown. The
 * browser reconnects by itself. Every stream begins by saying that it follows from now on, and the data is then loaded
 * once as well, since news may have come before: between the page's load and its first stream, or between two streams.
 */
export function follow(topics: () => readonly string[]): void {
  // A string, so that loading the same data anew is no reason to connect anew.
  const query = $derived(
    topics()
      .map((topic) => `topic=${encodeURIComponent(topic)}`)
      .join('&'),
  );
  $effect(() => {
    if (query === '') return;
    const source = new EventSource(`/live?${query}`);
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
    source.onmessage = refresh;
    return () => {
      source.close();
      clearTimeout(timer);
    };
  });
}
