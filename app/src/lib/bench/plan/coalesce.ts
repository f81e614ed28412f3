/** What waits for its own task. */
export interface OwnTask<T> {
  /** Has the newest value be taken soon; one that still waits is passed over. */
  (value: T): void;
  /** Takes a value that still waits at once. */
  finish(): void;
}

/** How often it is asked whether the next value can be taken, and how long it waits for that at most. */
const LOOK_MS = 4;
const PATIENCE_MS = 100;

/**
 * Takes values in tasks of their own, after the one that brought them. The browser hands pointer moves over in the task
 * that draws a frame; work done there and then would be added to the drawing, and both together keep the page waiting.
 *
 * @param isReady whether something comes of the next value; edits that only take the place of one that waits hold up what is
 * to be seen
 */
export function coalesce<T>(take: (value: T) => void, isReady: () => boolean = () => true): OwnTask<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let newest: T;
  let since = 0;
  const finish = () => {
    if (timer === undefined) return;
    clearTimeout(timer);
    timer = undefined;
    take(newest);
  };
  const look = () => {
    if (isReady() || performance.now() - since >= PATIENCE_MS) finish();
    else timer = setTimeout(look, LOOK_MS);
  };
  const later = (value: T) => {
    newest = value;
    if (timer !== undefined) return;
    since = performance.now();
    timer = setTimeout(look, 0);
  };
  return Object.assign(later, { finish });
}
