import { and, asc, desc, eq, inArray, max } from 'drizzle-orm';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import type { Mover } from '../../platform/lifecycle.ts';
import { joinQueue, leaveQueue } from './lifecycle.ts';
import { batches, batchParts, handIns, printFiles, queueEntries } from '../../platform/db/schema/index.ts';

/** The file of an earlier version of a project that still waits, with its places in the queue; they are held. */
export async function waitingFileOf(
  tx: Database,
  projectId: string,
): Promise<{ fileId: string; entryIds: string[] } | undefined> {
  const waiting = await tx
    .select({ entryId: queueEntries.id, fileId: printFiles.id })
    .from(queueEntries)
    .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .innerJoin(handIns, eq(handIns.id, printFiles.handInId))
    .where(and(eq(handIns.projectId, projectId), eq(queueEntries.state, 'waiting')))
    .orderBy(asc(queueEntries.position))
    .for('update', { of: queueEntries });
  if (waiting.length === 0) return undefined;
  const [{ fileId }] = waiting;
  return { fileId, entryIds: waiting.filter((each) => each.fileId === fileId).map(({ entryId }) => entryId) };
}

/** Gives a print file as many places in the queue as copies are wanted; it takes over those of the file it replaces. */
export async function takePlaces(
  tx: Database,
  mover: Mover,
  fileId: string,
  copies: number,
  replaced: readonly string[],
): Promise<void> {
  for (const [i, entryId] of replaced.slice(0, copies).entries()) {
    await tx
      .update(queueEntries)
      .set({ printFileId: fileId, copy: i + 1 })
      .where(eq(queueEntries.id, entryId));
  }
  await leaveQueue(tx, mover, replaced.slice(copies));
  for (let copy = replaced.length + 1; copy <= copies; copy++) await joinQueue(tx, mover, fileId, copy);
}

/** Takes the print file of an approval out of the queue, and gives its places back to the one that it replaced. */
export async function leavePlaces(tx: Database, mover: Mover, handInId: string): Promise<void> {
  const places = await tx
    .select({
      fileId: printFiles.id,
      replaces: printFiles.replaces,
      entryId: queueEntries.id,
      state: queueEntries.state,
    })
    .from(printFiles)
    .innerJoin(queueEntries, eq(queueEntries.printFileId, printFiles.id))
    .where(eq(printFiles.handInId, handInId))
    .orderBy(asc(queueEntries.copy))
    .for('update', { of: queueEntries });
  const entryIds = places.map(({ entryId }) => entryId);
  const [batch] = await tx
    .select({ number: batches.number, state: batches.state })
    .from(batchParts)
    .innerJoin(batches, eq(batches.id, batchParts.batchId))
    .where(inArray(batchParts.queueEntryId, entryIds))
    .orderBy(desc(batches.number))
    .limit(1);
  if (batch?.state === 'laid')
    throw new CannotNow('It is in batch {number}: take it off there first, then undo this decision.', {
      number: batch.number,
    });
  if (batch)
    throw new CannotNow('It went to a printer in batch {number}, so the approval stands.', {
      number: batch.number,
    });
  if (places.length === 0 || places.some(({ state }) => state !== 'waiting' && state !== 'dropped'))
    throw new CannotNow('It is not waiting in the queue any more, so the approval stands.');
  const [{ fileId, replaces }] = places;
  if (replaces) {
    // Copies of the earlier version that were printed before keep their numbers.
    const [{ last }] = await tx
      .select({ last: max(queueEntries.copy) })
      .from(queueEntries)
      .where(eq(queueEntries.printFileId, replaces));
    for (const [i, entryId] of entryIds.entries()) {
      await tx
        .update(queueEntries)
        .set({ printFileId: replaces, copy: (last ?? 0) + i + 1 })
        .where(eq(queueEntries.id, entryId));
    }
  } else {
    await leaveQueue(tx, mover, entryIds);
  }
  await tx.delete(printFiles).where(eq(printFiles.id, fileId));
}
