import { emptyNote, processorMs, type ThreadNote } from './processorTime.ts';

/** How much longer than its time a task may take on the clock, while others have the processor. */
const PATIENCE = 8;
/** How often a task's time is read, ms. */
const LOOK_MS = 250;

/** The time that one task may take. */
export interface TimeBudget {
  /** Where the thread that carries the task out notes itself. */
  readonly note: ThreadNote;
  /** Aborted when the time is used up. */
  readonly signal: AbortSignal;
  end(): void;
}

/**
 * A budget of the processor's time, ms: a task is not given up because the machine was busy with something else. On the
 * clock it may take eight times as long, so that one that only waits ends too.
 */
export function timeBudget(ms: number): TimeBudget {
  const note = emptyNote();
  const over = new AbortController();
  const beganAt = performance.now();
  const look = setInterval(
    () => {
      const onClock = performance.now() - beganAt;
      // Without a note there is the clock alone; until a thread has begun, the task only waits.
      const used = processorMs(note) ?? onClock;
      if (used >= ms || onClock >= ms * PATIENCE) over.abort();
    },
    Math.min(ms, LOOK_MS),
  );
  return { note, signal: over.signal, end: () => clearInterval(look) };
}
