import NewsWorker from './news.sharedworker?sharedworker';
import { AGAIN_AFTER_MS, eventStream } from './eventStream';
import { NewsExchange } from './newsExchange';
import type { PageWish } from './news.sharedworker';

/** Calls `look` whenever one of the topics changes, until the returned function is called. */
export function newsOf(topics: readonly string[], look: () => void): () => void {
  return typeof SharedWorker === 'undefined' || !navigator.locks
    ? ownStream(topics, look)
    : sharedStream(topics, look);
}

/** Through the stream that all pages of this browser share. */
function sharedStream(topics: readonly string[], look: () => void): () => void {
  const { port } = new NewsWorker({ name: 'kelbrin news' });
  const lock = `kelbrin page ${crypto.getRandomValues(new Uint32Array(4)).join('-')}`;
  let isWanted = true;
  let release = () => {};
  port.onmessage = look;
  // Asked for once the page has the lock: the worker takes a lock that it can have for a page that is gone.
  void navigator.locks.request(lock, () => {
    if (!isWanted) return;
    port.postMessage({ topics, lock } satisfies PageWish);
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
function ownStream(topics: readonly string[], look: () => void): () => void {
  const exchange = new NewsExchange<'page'>(eventStream, look, (again) => setTimeout(again, AGAIN_AFTER_MS));
  exchange.follow('page', topics);
  return () => exchange.leave('page');
}
