/** What waits for its own task. */
export interface OwnTask<T> {
  /** Has the newest value be taken soon; one that still waits is passed over. */
  (value: T): void;
  /** Takes a value that still waits at once. */
  finish(): void;
}

/**
 * Takes values in tasks of their own, after the one that brought them. The browser hands pointer moves over in the task
 * that draws a frame; work done there and then would be added to the drawing, and both together keep the page waiting.
 */
export function coalesce<T>(take: (value: T) => void): OwnTask<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let newest: T;
  const finish = () => {
    if (timer === undefined) return;
    clearTimeout(timer);
    timer = undefined;
    take(newest);
  };
  const later = (value: T) => {
    newest = value;
    timer ??= setTimeout(finish, 0);
  };
  return Object.assign(later, { finish });
}
