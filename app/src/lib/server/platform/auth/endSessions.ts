import { inArray } from 'drizzle-orm';
import type { Database } from '../db/database.ts';
import { sessions } from '../db/schema/index.ts';
import { announce, type Topic } from '../live/topics.ts';

/** Signs people out everywhere, at once: their next request is a visitor's, and no stream tells them anything more. */
export async function endSessions(db: Database, userIds: readonly string[]): Promise<void> {
  if (userIds.length === 0) return;
  await db.delete(sessions).where(inArray(sessions.userId, [...userIds]));
  await announce(db, ...userIds.map((id): Topic => `sessions:${id}`));
}
