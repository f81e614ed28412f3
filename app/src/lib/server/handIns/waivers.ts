import { eq, inArray, type SQL } from 'drizzle-orm';
import { checkTitle } from '@kelbrin/core/inspect';
import type { Database } from '../platform/db/database.ts';
import { printFiles, queueEntries, users, waivers } from '../platform/db/schema/index.ts';

/** A waived check as it is shown wherever the file goes. */
export interface WaiverLine {
  readonly check: string;
  /** What the check is called: known here, so that no page that shows waivers has to fetch all checks. */
  readonly title: string;
  readonly reason: string;
  readonly by: string;
  readonly at: Date;
}

/** The waivers of hand-ins, by hand-in. */
export async function waiversOf(
  db: Database,
  handInIds: readonly string[],
): Promise<Map<string, WaiverLine[]>> {
  return handInIds.length === 0 ? new Map() : waiversWhere(db, inArray(waivers.handInId, [...handInIds]));
}

/** The same of all parts in the queue: there are few waivers, and many parts to ask for. */
export async function waiversInQueue(db: Database): Promise<Map<string, WaiverLine[]>> {
  const queued = db
    .select({ id: printFiles.handInId })
    .from(queueEntries)
    .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .where(inArray(queueEntries.state, ['waiting', 'dropped']));
  return waiversWhere(db, inArray(waivers.handInId, queued));
}

async function waiversWhere(db: Database, which: SQL): Promise<Map<string, WaiverLine[]>> {
  const result = new Map<string, WaiverLine[]>();
  const rows = await db
    .select({
      handInId: waivers.handInId,
      check: waivers.check,
      reason: waivers.reason,
      by: users.name,
      at: waivers.waivedAt,
    })
    .from(waivers)
    .innerJoin(users, eq(users.id, waivers.waivedBy))
    .where(which)
    .orderBy(waivers.check);
  for (const { handInId, ...line } of rows) {
    const named = { ...line, title: checkTitle(line.check) };
    result.set(handInId, [...(result.get(handInId) ?? []), named]);
  }
  return result;
}
