import { resolve } from 'node:path';
import { Worker } from 'node:worker_threads';
import { serverConfig } from '../config.ts';
import type { Answers, Reply, Task } from './task.ts';

interface Waiting {
  resolve(answer: never): void;
  reject(error: Error): void;
}

/** How long a task may take; a longer one is given up and its worker replaced. */
const TIMEOUT_MS = 60_000;

/**
 * Runs geometry in a worker thread, so that the process goes on answering. A worker that crashes or hangs takes only
 * the tasks that were waiting for it along, and the next task starts a new one.
 */
export class ComputePool {
  #worker: Worker | undefined;
  #nextId = 1;
  readonly #waiting = new Map<number, Waiting>();
  readonly #file: string;

  constructor(file: string) {
    this.#file = file;
  }

  /** Carries out a task; rejects with the worker's own sentence when it cannot. */
  async run<K extends Task['kind']>(task: Extract<Task, { kind: K }>): Promise<Answers[K]> {
    const worker = (this.#worker ??= this.#start());
    const id = this.#nextId++;
    const timer = setTimeout(() => this.#fail(worker, new Error('The geometry took too long.')), TIMEOUT_MS);
    try {
      return await new Promise<Answers[K]>((resolve, reject) => {
        this.#waiting.set(id, { resolve, reject });
        worker.postMessage({ id, task });
      });
    } finally {
      clearTimeout(timer);
      this.#waiting.delete(id);
    }
  }

  /** Ends the worker; tasks that are still waiting are rejected. */
  async close(): Promise<void> {
    const worker = this.#worker;
    if (worker) this.#fail(worker, new Error('The server is stopping.'));
  }

  #start(): Worker {
    const worker = new Worker(resolve(this.#file));
    worker.on('message', (reply: Reply) => {
      const waiting = this.#waiting.get(reply.id);
      if ('error' in reply) waiting?.reject(new Error(reply.error));
      else waiting?.resolve(reply.answer as never);
    });
    worker.on('error', (error: Error) => this.#fail(worker, error));
    worker.unref();
    return worker;
  }

  #fail(worker: Worker, error: Error): void {
    if (this.#worker === worker) this.#worker = undefined;
    void worker.terminate();
    for (const { reject } of this.#waiting.values()) reject(error);
    this.#waiting.clear();
  }
}

let shared: ComputePool | undefined;

/** The process's own worker. */
export function compute(): ComputePool {
  return (shared ??= new ComputePool(serverConfig().KELBRIN_COMPUTE_WORKER));
}
