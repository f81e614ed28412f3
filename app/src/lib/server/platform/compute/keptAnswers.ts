import { LRUCache } from 'lru-cache';
import { SentBytes } from '../sent/sentBytes.ts';
import { sha256 } from '../basics/sha256.ts';
import type { Task } from './task.ts';
import { TaskFailure } from './taskFailure.ts';

/** An answer, or the failure that the same task would end in again. */
type Kept = { readonly answer: unknown } | { readonly failure: TaskFailure };

/** How much memory answers may take, bytes, and how long one is kept. */
const MOST_BYTES = 64_000_000;
/** A larger one is not kept, since it would push out what many ask for: the parts of a batch are, its G-code is not. */
const MOST_BYTES_EACH = 16_000_000;
const KEPT_MS = 30 * 60_000;
/** What a kept answer takes beside its bytes and words. */
const OVERHEAD_BYTES = 2_000;

/** What tasks came to, by what was asked, so that asking again costs nothing; who asks meanwhile waits for the same. */
export class KeptAnswers {
  readonly #settled = new LRUCache<string, Kept>({
    maxSize: MOST_BYTES,
    maxEntrySize: MOST_BYTES_EACH,
    ttl: KEPT_MS,
  });
  readonly #underWay = new Map<string, Promise<unknown>>();

  /** The answer to a task: a kept one, that of a task that runs, or that of `run`. */
  async answer<T>(task: Task, run: () => Promise<T>): Promise<T> {
    const key = keyOf(task);
    const kept = this.#settled.get(key);
    if (kept) {
      if ('failure' in kept) throw kept.failure;
      return kept.answer as T;
    }
    const before = this.#underWay.get(key);
    if (before) return before as Promise<T>;
    const asked = run();
    this.#underWay.set(key, asked);
    try {
      const answer = await asked;
      this.#settled.set(key, { answer }, { size: OVERHEAD_BYTES + sizeOf(answer) });
      return answer;
    } catch (error) {
      if (error instanceof TaskFailure && error.isSure)
        this.#settled.set(key, { failure: error }, { size: OVERHEAD_BYTES });
      throw error;
    } finally {
      this.#underWay.delete(key);
    }
  }
}

/** The hash of what is asked; files count by their hashes. */
function keyOf(task: Task): string {
  return sha256(
    JSON.stringify(task, (_, value: unknown) => {
      if (value instanceof SentBytes) return value.hash;
      return value instanceof Map ? [...value.keys()] : value;
    }),
  );
}

/** About how many bytes an answer takes. */
function sizeOf(value: unknown): number {
  if (ArrayBuffer.isView(value)) return value.byteLength;
  if (typeof value === 'string') return value.length;
  if (typeof value !== 'object' || value === null) return 8;
  return Object.values(value).reduce<number>((sum, each) => sum + 8 + sizeOf(each), 0);
}
