import { inArray } from 'drizzle-orm';
import { log } from '../../platform/basics/log.ts';
import type { Database } from '../../platform/db/database.ts';
import { runs } from '../../platform/db/schema/index.ts';
import { progressOf, type RunProgress } from './watching.ts';

type Listener = (progress: RunProgress) => void;

/** How often it is looked how far the runs are that somebody watches. */
const PERIOD_MS = 1_000;

/**
 * Tells those who watch runs how far they are. However many watch, and however many runs, the database is asked once a
 * period; nobody is told twice of the same.
 */
export class RunWatch {
  readonly #db: Database;
  readonly #listeners = new Map<string, Set<Listener>>();
  /** What was told last of each run, as text. */
  readonly #told = new Map<string, string>();
  #timer: NodeJS.Timeout | undefined;

  constructor(db: Database) {
    this.#db = db;
  }

  /** Follows a run until the returned function is called. */
  follow(runId: string, listener: Listener): () => void {
    const listeners = this.#listeners.get(runId) ?? new Set();
    this.#listeners.set(runId, listeners.add(listener));
    this.#timer ??= setInterval(() => {
      this.look().catch((error: unknown) => log.error({ err: error }, 'Watching runs'));
    }, PERIOD_MS);
    return () => {
      listeners.delete(listener);
      if (listeners.size === 0) {
        this.#listeners.delete(runId);
        this.#told.delete(runId);
      }
      if (this.#listeners.size > 0) return;
      clearInterval(this.#timer);
      this.#timer = undefined;
    };
  }

  /** Looks how far they are, and tells what is new. */
  async look(): Promise<void> {
    const rows = await this.#db
      .select({ id: runs.id, state: runs.state, progress: runs.progress, pausedFor: runs.pausedFor })
      .from(runs)
      .where(inArray(runs.id, [...this.#listeners.keys()]));
    for (const { id, ...row } of rows) {
      const progress = progressOf(row);
      const words = JSON.stringify(progress);
      if (this.#told.get(id) === words) continue;
      this.#told.set(id, words);
      for (const listener of this.#listeners.get(id) ?? []) listener(progress);
    }
  }
}
