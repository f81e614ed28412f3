import { desc, eq } from 'drizzle-orm';
import type { Database } from '../platform/db/database.ts';
import { handIns } from '../platform/db/schema/index.ts';
import { remarksOf } from './remarks.ts';
import { waiversOf } from '../handIns/waivers.ts';

/**
 * What the student of a project may know of the last hand-in: whether it is being looked at, and once it is decided what
 * was remarked and waived. What a teacher is still writing is nobody else's yet.
 */
export async function feedbackOf(db: Database, projectId: string) {
  const [last] = await db
    .select({
      id: handIns.id,
      state: handIns.state,
      seenAt: handIns.seenAt,
      at: handIns.createdAt,
      partId: handIns.partId,
      part: handIns.part,
      recipe: handIns.recipe,
    })
    .from(handIns)
    .where(eq(handIns.projectId, projectId))
    .orderBy(desc(handIns.number))
    .limit(1);
  if (!last) return undefined;
  const isDecided = last.state === 'sent_back' || last.state === 'approved';
  return {
    isSeen: last.seenAt !== null,
    mayWithdraw: (last.state === 'checking' || last.state === 'waiting') && last.seenAt === null,
    at: last.at,
    partId: last.partId,
    part: last.part,
    recipe: last.recipe,
    remarks: isDecided ? await remarksOf(db, last.id) : [],
    waivers: (await waiversOf(db, [last.id])).get(last.id) ?? [],
  };
}
