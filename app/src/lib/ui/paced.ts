/** What is done at a pace. */
export interface Paced {
  /** Does it at once where it was not done for a while, and otherwise as soon as that while is over. */
  (): void;
  /** Leaves undone what still waits. */
  cancel(): void;
}

/**
 * Has something be done in steps that are some time apart, however often it is asked for.
 *
 * @param apartMs how far apart the steps are at least, ms
 */
export function paced(act: () => void, apartMs: number): Paced {
  let doneAt = -Infinity;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const doIt = () => {
    timer = undefined;
    doneAt = performance.now();
    act();
  };
  const ask = () => {
    if (timer !== undefined) return;
    const waitMs = doneAt + apartMs - performance.now();
    if (waitMs <= 0) doIt();
    else timer = setTimeout(doIt, waitMs);
  };
  const cancel = () => {
    clearTimeout(timer);
    timer = undefined;
  };
  return Object.assign(ask, { cancel });
}
