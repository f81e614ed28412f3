import { invalidate, invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';

/** The name under which a page's data depends on live news; see `depends` in the loads. */
export const LIVE = 'kelbrin:live';

/** Loads what the page shows of live news anew, and ends when it is shown. */
export const reloadLive = inTurn(() => invalidate(LIVE));

/** Loads all data of the page anew, and ends when it is shown. */
export const reloadAll = inTurn(() => invalidateAll());

let last = Promise.resolve();

/**
 * Has the page loaded anew after those loads that were asked for before: a load that begins while another is under way
 * has that one end with nothing shown, and whoever waited for it would go on from old data. All who ask while a load
 * waits for its turn share it. A link that was pressed goes first, since a load would call it off.
 */
function inTurn(load: () => Promise<void>): () => Promise<void> {
  let waiting: Promise<void> | undefined;
  return () => {
    if (waiting) return waiting;
    const mine = last.then(async () => {
      await navigating.complete?.catch(() => {});
      waiting = undefined;
      await load();
    });
    waiting = mine;
    last = mine.catch(() => {});
    return mine;
  };
}
