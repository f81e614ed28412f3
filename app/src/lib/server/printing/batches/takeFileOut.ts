import { and, eq, inArray } from 'drizzle-orm';
import type { Database } from '../../platform/db/database.ts';
import { batchParts, batches, queueEntries } from '../../platform/db/schema/index.ts';
import type { Mover } from '../../platform/lifecycle.ts';
import { leaveQueue, moveEntries } from '../queue/lifecycle.ts';
import { endEmptyBatches } from './lifecycle.ts';

/**
 * Takes all copies of a print file that are not printed out of the queue, and off the batches on which they lie, as when it
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
      .delete(batchParts)
      .where(and(inArray(batchParts.queueEntryId, off), batchParts.isCurrent))
      .returning({ batchId: batchParts.batchId });
    const batchIds = left.map(({ batchId }) => batchId);
    await tx.update(batches).set({ estimate: null }).where(inArray(batches.id, batchIds));
    await endEmptyBatches(tx, mover);
  }
  await leaveQueue(
    tx,
    mover,
    copies.map(({ id }) => id),
  );
}
