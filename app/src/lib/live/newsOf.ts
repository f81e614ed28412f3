import NewsWorker from './news.sharedworker?sharedworker';
import { AGAIN_AFTER_MS, eventStream } from './eventStream';
import { NewsExchange } from './newsExchange';
import type { PageWish } from './news.sharedworker';

/** Is called when something changed or may have; by which transaction, if it is known to be one alone. */
export type Look = (change?: number) => void;

/**
 * Calls `look` whenever one of the topics changes, until the returned function is called; also once as it begins where
 * news may have come since what is shown was asked for, which was at `askedMs` since the epoch if that is known.
 */
export function newsOf(topics: readonly string[], look: Look, askedMs?: number): () => void {
  return typeof SharedWorker === 'undefined' || !navigator.locks
    ? ownStream(topics, look, askedMs)
    : sharedStream(topics, look, askedMs);
}

/** Through the stream that all pages of this browser share. */
function sharedStream(topics: readonly string[], look: Look, askedMs?: number): () => void {
  const { port } = new NewsWorker({ name: 'kelbrin news' });
  const lock = `kelbrin page ${crypto.getRandomValues(new Uint32Array(4)).join('-')}`;
  let isWanted = true;
  let release = () => {};
  port.onmessage = ({ data }: MessageEvent<number | undefined>) => look(data);
  // Asked for once the page has the lock: the worker takes a lock that it can have for a page that is gone.
  void navigator.locks.request(lock, () => {
    if (!isWanted) return;
    port.postMessage({ topics, askedMs, lock } satisfies PageWish);
    return new Promise<void>((resolve) => (release = resolve));
  });
  return () => {
    isWanted = false;
    port.postMessage('leave');
    port.close();
    release();
  };
}

/** Through a stream of this page's own, where pages cannot share one. */
function ownStream(topics: readonly string[], look: Look, askedMs?: number): () => void {
  const exchange = new NewsExchange<'page'>(
    eventStream,
    (_page, change) => look(change),
    (again) => setTimeout(again, AGAIN_AFTER_MS),
  );
  exchange.follow('page', topics, askedMs);
  return () => exchange.leave('page');
}
