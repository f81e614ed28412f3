import { sql } from 'drizzle-orm';
import type { Database } from '../db/database.ts';

/** The PostgreSQL channel on which every process of Kelbrin hears what changed. */
export const LIVE_CHANNEL = 'kelbrin_live';

/**
 * Something that pages and processes follow: one project, where its team works, one class, one person's notices, the print room with its
 * queue, batches, runs and spools, the order of the queue alone, how far the printers are and how warm, which changes each second, the sessions of one
 * person, of which some ended, or the orders to printers, which the job process alone follows.
 */
export type Topic =
  | `project:${string}`
  | `seats:${string}`
  | `class:${string}`
  | `person:${string}`
  | `sessions:${string}`
  | 'printroom'
  | 'queue'
  | 'printers'
  | 'orders';

/**
 * Says that something changed, and by which transaction. Inside a transaction it is heard when that is committed, and not
 * at all otherwise.
 */
export async function announce(db: Database, ...topics: Topic[]): Promise<void> {
  if (topics.length === 0) return;
  // In one question, since a save waits for the answer.
  const calls = topics.map(
    (topic) => sql`pg_notify(${LIVE_CHANNEL}, ${topic} || ' ' || pg_current_xact_id())`,
  );
  await db.execute(sql`select ${sql.join(calls, sql`, `)}`);
}
