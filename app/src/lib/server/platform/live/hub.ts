import type { Sql } from 'postgres';
import { LIVE_CHANNEL, type Topic } from './topics.ts';

/** Is told of a topic that changed, and by which transaction where that is known. */
type Listener = (topic: Topic, change?: string) => void;

/** So many topics are remembered by when they were last heard of. */
const REMEMBERED = 10_000;

/**
 * Hears what changed over one database connection and passes it on to any number of listeners.
 * A lost connection is made again by itself; every listener is then told once of each of its topics, since changes in
 * between were not heard.
 */
export class LiveHub {
  /** When each topic was last heard of, in that order, ms on the process's own clock. */
  readonly #heardMs = new Map<Topic, number>();
  /** Since when all that is heard is remembered. */
  #knownFromMs = Infinity;
  readonly #listeners = new Map<Listener, ReadonlySet<Topic>>();
  #started: Promise<unknown> | undefined;
  readonly #sql: Sql;

  constructor(sql: Sql) {
    this.#sql = sql;
  }

  /** Follows topics until the returned function is called. */
  async follow(topics: readonly Topic[], listener: Listener): Promise<() => void> {
    this.#listeners.set(listener, new Set(topics));
    this.#started ??= this.#sql.listen(
      LIVE_CHANNEL,
      (news) => {
        const [topic, change] = news.split(' ');
        this.#tell(topic as Topic, change);
      },
      () => this.#begin(),
    );
    try {
      await this.#started;
    } catch (error) {
      this.#started = undefined;
      this.#listeners.delete(listener);
      throw error;
    }
    return () => this.#listeners.delete(listener);
  }

  /** For how long nothing was heard of any of the topics, ms, as far as is known: not from before the hub listened. */
  quietMs(topics: readonly Topic[]): number {
    const lastMs = Math.max(
      this.#knownFromMs,
      ...topics.map((topic) => this.#heardMs.get(topic) ?? -Infinity),
    );
    return Math.max(0, performance.now() - lastMs);
  }

  #tell(topic: Topic, change: string): void {
    this.#heardMs.delete(topic);
    this.#heardMs.set(topic, performance.now());
    if (this.#heardMs.size > REMEMBERED) {
      const [[longestAgo, ms]] = this.#heardMs;
      this.#heardMs.delete(longestAgo);
      this.#knownFromMs = ms;
    }
    for (const [listener, topics] of this.#listeners) if (topics.has(topic)) listener(topic, change);
  }

  /** Listens from now on, for the first time or again. */
  #begin(): void {
    this.#knownFromMs = performance.now();
    this.#heardMs.clear();
    for (const [listener, topics] of this.#listeners) for (const topic of topics) listener(topic);
  }
}
