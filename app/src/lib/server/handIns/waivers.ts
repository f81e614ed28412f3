import { eq, inArray } from 'drizzle-orm';
import type { Database } from '../platform/db/database.ts';
import { users, waivers } from '../platform/db/schema/index.ts';

/** A waived check as it is shown wherever the file goes. */
export interface WaiverLine {
  readonly check: string;
  readonly reason: string;
  readonly by: string;
  readonly at: Date;
}

/** The waivers of hand-ins, by hand-in. */
export async function waiversOf(
  db: Database,
  handInIds: readonly string[],
): Promise<Map<string, WaiverLine[]>> {
  const result = new Map<string, WaiverLine[]>();
  if (handInIds.length === 0) return result;
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
    .where(inArray(waivers.handInId, [...handInIds]))
    .orderBy(waivers.check);
  for (const { handInId, ...line } of rows) {
    result.set(handInId, [...(result.get(handInId) ?? []), line]);
  }
  return result;
}
