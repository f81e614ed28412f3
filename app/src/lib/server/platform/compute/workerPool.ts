import { availableParallelism } from 'node:os';
import { resolve } from 'node:path';
import { Piscina } from 'piscina';
import { FairQueue, type Owner } from './fairQueue.ts';
import type { Answers, Task } from './task.ts';
import { TaskFailure } from './taskFailure.ts';
import { timeBudget } from './timeBudget.ts';
import type { ThreadNote } from './processorTime.ts';

/** How much one worker of a pool may take. */
export interface PoolLimits {
  /** JavaScript's own memory of a worker, MB; a task that needs more ends with its worker. */
  readonly memoryMb: number;
}

/** What a worker is given: a task, and where it notes the thread that carries it out. */
export interface Given {
  readonly task: Task;
  readonly note: ThreadNote;
}

/** A task that waits for a worker, with whoever waits for its answer. */
interface Waiting {
  readonly task: Task;
  readonly owner: Owner;
  readonly ms: number;
  resolve(answer: unknown): void;
  reject(error: Error): void;
}

/** Two at least, so that a task that takes its time does not hold up everybody. */
const threads = Math.max(2, availableParallelism());
/** How long a worker without work is kept; loading the kernel takes a third of a second. */
const IDLE_MS = 60_000;
/** Whatever answers people goes before. */
const NICENESS = 5;

/**
 * Worker threads that carry out tasks fairly, each within its own time and memory. A task that is given up takes only its
 * own worker along. Its time begins when it begins, however long it waited, and is the processor's ({@link timeBudget}).
 */
export class WorkerPool {
  readonly #file: string;
  readonly #limits: PoolLimits;
  readonly #queue = new FairQueue<Waiting>();
  #workers: Piscina | undefined;
  #running = 0;

  constructor(file: string, limits: PoolLimits) {
    this.#file = resolve(file);
    this.#limits = limits;
  }

  /** Carries out a task; rejects with the worker's own sentence when it cannot, or with a {@link TaskFailure}. */
  run<K extends Task['kind']>(
    task: Extract<Task, { kind: K }>,
    owner: Owner,
    ms: number,
  ): Promise<Answers[K]> {
    return new Promise<Answers[K]>((resolve, reject) => {
      this.#queue.add(owner, { task, owner, ms, resolve: resolve as (answer: unknown) => void, reject });
      this.#fill();
    });
  }

  /** Ends the workers; tasks that are not done are rejected. A task that comes later starts new ones. */
  async close(): Promise<void> {
    const workers = this.#workers;
    this.#workers = undefined;
    for (const { reject } of this.#queue.clear()) reject(new TaskFailure('stopped'));
    await workers?.destroy();
  }

  /** Gives every worker that is free the task whose turn it is. */
  #fill(): void {
    while (this.#running < threads) {
      const next = this.#queue.next();
      if (!next) return;
      this.#running++;
      void this.#carryOut(next).finally(() => {
        this.#running--;
        this.#queue.done(next.owner);
        this.#fill();
      });
    }
  }

  async #carryOut({ task, ms, resolve, reject }: Waiting): Promise<void> {
    const workers = (this.#workers ??= new Piscina({
      filename: this.#file,
      minThreads: 0,
      maxThreads: threads,
      idleTimeout: IDLE_MS,
      niceIncrement: NICENESS,
      resourceLimits: { maxOldGenerationSizeMb: this.#limits.memoryMb },
      recordTiming: false,
    }));
    const { note, signal, end } = timeBudget(ms);
    try {
      resolve(await workers.run({ task, note } satisfies Given, { signal }));
    } catch (error) {
      if (workers !== this.#workers) reject(new TaskFailure('stopped', { cause: error }));
      else if (signal.aborted) reject(new TaskFailure('time', { cause: error }));
      else if (codeOf(error) === 'ERR_WORKER_OUT_OF_MEMORY')
        reject(new TaskFailure('memory', { cause: error }));
      else reject(error as Error);
    } finally {
      end();
    }
  }
}

function codeOf(error: unknown): string | undefined {
  return (error as NodeJS.ErrnoException | undefined)?.code;
}
