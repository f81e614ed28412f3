/** How long a round may take before others get their turn, ms. */
const ROUND_MS = 30;

/**
 * Goes through a generator in short rounds, so that messages are heard in between. Returns a function that stops it.
 *
 * @param hear hears of everything that is handed out
 * @param done hears of what the generator returns
 */
export function inRounds<T, R>(
  work: Generator<T, R>,
  hear: (step: T) => void,
  done: (result: R) => void,
): () => void {
  let timer = setTimeout(round, 0);
  function round(): void {
    const until = performance.now() + ROUND_MS;
    do {
      const step = work.next();
      if (step.done) return done(step.value);
      hear(step.value);
    } while (performance.now() < until);
    timer = setTimeout(round, 0);
  }
  return () => {
    clearTimeout(timer);
    // What it holds is freed, as at its own end.
    work.return(undefined as R);
  };
}

/** What a generator hands out until some time has passed; what it holds is freed then, as at its own end. */
export function* within<T>(ms: number, work: Iterable<T>): Generator<T, void> {
  const until = performance.now() + ms;
  for (const step of work) {
    yield step;
    if (performance.now() >= until) return;
  }
}
