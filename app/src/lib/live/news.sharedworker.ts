import { AGAIN_AFTER_MS, eventStream } from './eventStream';
import { NewsExchange } from './newsExchange';

/* One for all pages of a browser that are open: it holds the one stream of news that they share. */

/** What a page says: what it follows, when its data were asked for, and the lock that it holds for as long as it is there. */
export interface PageWish {
  readonly topics: readonly string[];
  readonly askedMs: number | undefined;
  readonly lock: string;
}

const exchange = new NewsExchange<MessagePort>(
  eventStream,
  (page, change) => page.postMessage(change),
  (again) => setTimeout(again, AGAIN_AFTER_MS),
);

addEventListener('connect', (event) => {
  const [page] = (event as MessageEvent).ports;
  let isKnown = false;
  page.onmessage = ({ data }: MessageEvent<PageWish | 'leave'>) => {
    if (data === 'leave') return exchange.leave(page);
    exchange.follow(page, data.topics, data.askedMs);
    if (isKnown) return;
    isKnown = true;
    // Granted when the page is gone, however it went.
    void navigator.locks.request(data.lock, () => exchange.leave(page));
  };
});
