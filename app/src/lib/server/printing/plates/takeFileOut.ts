import { and, eq, inArray } from 'drizzle-orm';
import type { Database } from '../../platform/db/database.ts';
import { plateParts, plates, queueEntries } from '../../platform/db/schema/index.ts';
import type { Mover } from '../../platform/lifecycle.ts';
import { leaveQueue, moveEntries } from '../queue/lifecycle.ts';
import { endEmptyPlates } from './lifecycle.ts';

/**
 * Takes all copies of a print file that are not printed out of the queue, and off the plates on which they lie, as when it
 * goes back to its student. A copy that is on a printer stays until its run has ended.
 */
export async function takeFileOut(tx: Database, mover: Mover, printFileId: string): Promise<void> {
  const copies = await tx
    .select({ id: queueEntries.id })
    .from(queueEntries)
    .where(eq(queueEntries.printFileId, printFileId));
  const isCopy = inArray(
    queueEntries.id,
    copies.map(({ id }) => id),
  );
  const off = await moveEntries(tx, 'takeOff', mover, isCopy);
  if (off.length > 0) {
    const left = await tx
      .delete(plateParts)
      .where(and(inArray(plateParts.queueEntryId, off), plateParts.isCurrent))
      .returning({ plateId: plateParts.plateId });
    const plateIds = left.map(({ plateId }) => plateId);
    await tx.update(plates).set({ estimate: null }).where(inArray(plates.id, plateIds));
    await endEmptyPlates(tx, mover);
  }
  await leaveQueue(
    tx,
    mover,
    copies.map(({ id }) => id),
  );
}
