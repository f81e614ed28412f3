import { eq, sql } from 'drizzle-orm';
import type { Database } from '../db/database.ts';
import { signInAttempts } from '../db/schema/index.ts';

/** After this many wrong tries for one name the door stays shut for the rest of the window. */
export const TRIES = 8;
export const WINDOW_MINUTES = 5;

/** Under which key a student's tries are counted. */
export function studentKey(classCode: string, signInName: string): string {
  return `student ${classCode} ${signInName}`;
}

/**
 * Notes a try before its password is looked at, so that many at once cannot slip past the count.
 * Counted by name and not by network address: a whole class shares one address and signs in within a minute.
 * Returns whether the try may go on.
 */
export async function mayTry(db: Database, key: string): Promise<boolean> {
  const isOver = sql`${signInAttempts.since} < now() - make_interval(mins => ${WINDOW_MINUTES})`;
  const [{ failures }] = await db
    .insert(signInAttempts)
    .values({ key, failures: 1, since: new Date() })
    .onConflictDoUpdate({
      target: signInAttempts.key,
      set: {
        failures: sql`case when ${isOver} then 1 else ${signInAttempts.failures} + 1 end`,
        since: sql`case when ${isOver} then now() else ${signInAttempts.since} end`,
      },
    })
    .returning({ failures: signInAttempts.failures });
  return failures <= TRIES;
}

/** Forgets the tries for a name once the right password was given. */
export async function forgetTries(db: Database, key: string): Promise<void> {
  await db.delete(signInAttempts).where(eq(signInAttempts.key, key));
}
