import { eq } from 'drizzle-orm';
import { mayBeHeld, supportMarks } from '@kelbrin/core/inspect';
import { handInToTeach, type Person } from '../platform/auth/access.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { handIns } from '../platform/db/schema/index.ts';
import { moveHandIns } from '../handIns/lifecycle.ts';
import { notWaiting } from './notWaiting.ts';

/**
 * Marks faces of a hand-in that supports are to keep away from, or to hold, in place of what was marked before. It is
 * inspected again, and waits for a decision on what is found then.
 */
export async function markSupports(
  db: Database,
  person: Person,
  handInId: string,
  marks: unknown,
): Promise<void> {
  const { handIn } = await handInToTeach(db, person, handInId);
  const read = supportMarks.safeParse(marks);
  if (!read.success) throw new CannotNow('These marks cannot be used: load the page again.');
  if (!mayBeHeld(handIn.limits, handIn.rules))
    throw new CannotNow('Card and brief let no part be held by supports here, so there is nothing to mark.');
  await db.transaction(async (tx) => {
    const moved = await moveHandIns(tx, 'markSupports', person, eq(handIns.id, handIn.id), {
      supportMarks: read.data,
      inspectionTries: 0,
      inspectionClaim: null,
      inspectingSince: null,
    });
    if (moved.length === 0) throw notWaiting();
  });
}
