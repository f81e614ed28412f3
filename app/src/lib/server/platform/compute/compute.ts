import { serverConfig } from '../basics/config.ts';
import { ofStaff, type Owner } from './fairQueue.ts';
import { KeptAnswers } from './keptAnswers.ts';
import type { Answers, Task } from './task.ts';
import { WorkerPool } from './workerPool.ts';

/**
 * Who waits for a task. Each pool has workers of its own, so that what a lesson waits for never stands behind what a
 * printer waits for.
 */
const pools = {
  /** Pictures and files: somebody looks at the page. */
  people: { memoryMb: 512 },
  /** Hand-ins: a class waits. */
  lessons: { memoryMb: 768 },
  /** Batches: a printer waits. */
  printing: { memoryMb: 1536 },
} as const;
type PoolName = keyof typeof pools;

/** By kind of task: which pool carries it out, and how much of the processor's time it may take, ms. */
const budgets: Record<Task['kind'], { readonly pool: PoolName; readonly ms: number }> = {
  readMesh: { pool: 'people', ms: 15_000 },
  readPicture: { pool: 'people', ms: 5_000 },
  picture: { pool: 'people', ms: 20_000 },
  layOut: { pool: 'people', ms: 20_000 },
  planWeek: { pool: 'people', ms: 10_000 },
  inspect: { pool: 'lessons', ms: 45_000 },
  slice: { pool: 'printing', ms: 120_000 },
  batch: { pool: 'printing', ms: 180_000 },
};

/** Carries out what takes long, or reads what somebody sent, on threads that answer nobody. */
export class Compute {
  readonly #pools: Record<PoolName, WorkerPool>;
  readonly #kept = new KeptAnswers();

  constructor(file: string) {
    this.#pools = {
      people: new WorkerPool(file, pools.people),
      lessons: new WorkerPool(file, pools.lessons),
      printing: new WorkerPool(file, pools.printing),
    };
  }

  /**
   * Carries out a task for its owner. Rejects with the worker's own sentence when it cannot, or with a
   * {@link TaskFailure} when it was given up.
   */
  run<K extends Task['kind']>(task: Extract<Task, { kind: K }>, owner: Owner = ofStaff): Promise<Answers[K]> {
    const { pool, ms } = budgets[task.kind];
    return this.#kept.answer(task, () => this.#pools[pool].run<K>(task, owner, ms));
  }

  /** Ends all workers; tasks that are not done are rejected. */
  async close(): Promise<void> {
    await Promise.all(Object.values(this.#pools).map((pool) => pool.close()));
  }
}

let shared: Compute | undefined;

/** The process's own workers. */
export function compute(): Compute {
  return (shared ??= new Compute(serverConfig().KELBRIN_COMPUTE_WORKER));
}
