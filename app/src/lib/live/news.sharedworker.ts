import { AGAIN_AFTER_MS, eventStream } from './eventStream';
import { NewsExchange } from './newsExchange';

/* One for all pages of a browser that are open: it holds the one stream of news that they share. */

/** What a page says: what it follows, and the lock that it holds for as long as it is there. */
export interface PageWish {
  readonly topics: readonly string[];
  readonly lock: string;
}

const exchange = new NewsExchange<MessagePort>(
  eventStream,
  (page) => page.postMessage('look'),
  (again) => setTimeout(again, AGAIN_AFTER_MS),
);

addEventListener('connect', (event) => {
  const [page] = (event as MessageEvent).ports;
  let isKnown = false;
  page.onmessage = ({ data }: MessageEvent<PageWish | 'leave'>) => {
    if (data === 'leave') return exchange.leave(page);
    exchange.follow(page, data.topics);
    if (isKnown) return;
    isKnown = true;
    // Granted when the page is gone, however it went.
    void navigator.locks.request(data.lock, () => exchange.leave(page));
  };
});
