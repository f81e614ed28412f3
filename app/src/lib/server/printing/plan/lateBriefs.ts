import { and, eq, isNull, lt, or } from 'drizzle-orm';
import { outlookOf } from '@kelbrin/core/weekPlan';
import type { Database } from '../../platform/db/database.ts';
import { briefs } from '../../platform/db/schema/index.ts';
import { tellTeacher } from '../../platform/notices.ts';
import { batchesOf } from './weekPlan.ts';
import { weekOf } from './weekProblem.ts';

const DAY_MS = 24 * 3600_000;
/** So long before a brief is due its teacher is told that not all of it will be printed by then. */
const AHEAD_MS = 7 * DAY_MS;
/** Nobody is told of the same brief more often than this. */
const PAUSE_MS = 3 * DAY_MS;

/** Tells teachers of briefs that are due within a week and will not be printed in time if all goes as planned. */
export async function tellOfLateBriefs(db: Database, now: Date): Promise<void> {
  const week = await weekOf(db, now);
  if (week.problem.parts.length === 0) return;
  const outlook = outlookOf(week.problem, await batchesOf(week));
  for (const { brief, dueMs, late } of outlook) {
    if (late === 0 || dueMs === undefined || dueMs > now.getTime() + AHEAD_MS) continue;
    await db.transaction(async (tx) => {
      // Of several processes that look ahead, one tells.
      const toTell = await tx
        .update(briefs)
        .set({ lateToldAt: now })
        .where(
          and(
            eq(briefs.id, brief),
            or(isNull(briefs.lateToldAt), lt(briefs.lateToldAt, new Date(now.getTime() - PAUSE_MS))),
          ),
        )
        .returning({ id: briefs.id });
      if (toTell.length > 0) await tellTeacher(tx, brief, 'brief_late');
    });
  }
}
