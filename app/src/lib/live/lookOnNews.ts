import { untrack } from 'svelte';
import { newsOf } from './newsOf';

/**
 * Looks at once, and again with the news of some topics, however fast they come at most every `pauseMs`, until the returned
 * function is called. News of a change that `isSeen` by then are no reason to look.
 */
export function lookOnNews(
  topics: readonly string[],
  pauseMs: number,
  look: () => void,
  isSeen: (change: number) => boolean = () => false,
): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let changes: (number | undefined)[] = [];
  const lookSoon = (change?: number) => {
    changes.push(change);
    timer ??= setTimeout(() => {
      const isNew = changes.some((each) => each === undefined || !isSeen(each));
      timer = undefined;
      changes = [];
      if (isNew) look();
    }, pauseMs);
  };
  const unfollow = newsOf(topics, lookSoon, Date.now());
  // Whoever looks may read what changes by looking, which is no reason to look again.
  untrack(look);
  return () => {
    unfollow();
    clearTimeout(timer);
  };
}
