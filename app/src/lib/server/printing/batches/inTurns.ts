/** How a list of things is worked through. */
interface Turns<Task, Result> {
  /** So many are worked on at a time. */
  readonly atATime: number;
  readonly work: (task: Task) => Promise<Result>;
  /** Called after each, with how many are done. */
  readonly onDone?: (done: number) => void;
  /** Calls it off: nothing more is begun. */
  readonly signal?: AbortSignal;
}

/**
 * Works through named tasks, a few at a time; the answer is by their names as well. When one of them fails, or the signal
 * calls it off, nothing more is begun, and the promise rejects with that reason.
 */
export async function inTurns<Task, Result>(
  tasks: readonly (readonly [name: string, task: Task])[],
  { atATime, work, onDone, signal }: Turns<Task, Result>,
): Promise<Map<string, Result>> {
  const done = new Map<string, Result>();
  const left = tasks.values();
  let hasFailed = false;
  const carryOn = async () => {
    for (const [name, task] of left) {
      signal?.throwIfAborted();
      if (hasFailed) return;
      try {
        done.set(name, await work(task));
      } catch (problem) {
        hasFailed = true;
        throw problem;
      }
      onDone?.(done.size);
    }
  };
  await Promise.all(Array.from({ length: atATime }, carryOn));
  return done;
}
