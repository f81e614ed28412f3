import { and, isNull } from 'drizzle-orm';
import { isUsable } from '../../../shared/outcome.ts';
import { demandRole, isId, NotAllowed, type Person } from '../../platform/auth/access.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import { batchParts } from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { partsOf } from '../batches/batchParts.ts';

/** Notes that the supports of a part that can be used were broken off. */
export async function takeSupportsOff(
  db: Database,
  person: Person,
  batchId: string,
  entryId: string,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  const isIt = and(isId(batchId, batchParts.batchId), isId(entryId, batchParts.queueEntryId));
  const part = (await partsOf(db, [batchId])).find((each) => each.entryId === entryId);
  if (!part) throw new NotAllowed();
  if (!part.estimate.supports) throw new CannotNow('This part was printed without supports.');
  if (part.outcome === null || !isUsable(part.outcome))
    throw new CannotNow('Write down first what came of this part.');
  await db
    .update(batchParts)
    .set({ supportsOffAt: new Date(), supportsOffBy: person.id })
    .where(and(isIt, isNull(batchParts.supportsOffAt)));
  await announce(db, 'printroom');
}
