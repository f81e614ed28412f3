import { untrack } from 'svelte';
import { newsOf } from './newsOf';

/**
 * Looks at once, and again with the news of some topics, however fast they come at most every `pauseMs`, until the returned
 * function is called.
 */
export function lookOnNews(topics: readonly string[], pauseMs: number, look: () => void): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const unfollow = newsOf(topics, () => {
    timer ??= setTimeout(() => {
      timer = undefined;
      look();
    }, pauseMs);
  });
  // Whoever looks may read what changes by looking, which is no reason to look again.
  untrack(look);
  return () => {
    unfollow();
    clearTimeout(timer);
  };
}
