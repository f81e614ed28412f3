import type { Sql } from 'postgres';
import { LIVE_CHANNEL, type Topic } from './topics.ts';

type Listener = (topic: Topic) => void;

/**
 * Hears what changed over one database connection and passes it on to any number of listeners.
 * A lost connection is made again by itself; every listener is then told once of each of its topics, since changes in
 * between were not heard.
 */
export class LiveHub {
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
      (topic) => this.#tell(topic as Topic),
      () => this.#tellAll(),
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

  #tell(topic: Topic): void {
    for (const [listener, topics] of this.#listeners) if (topics.has(topic)) listener(topic);
  }

  #tellAll(): void {
    for (const [listener, topics] of this.#listeners) for (const topic of topics) listener(topic);
  }
}
