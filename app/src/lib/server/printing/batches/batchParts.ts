import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import { isId, NotAllowed, type Person } from '../../platform/auth/access.ts';
import { namesOnProject } from '../../platform/auth/team.ts';
import { entriesWithOwner } from '../../platform/auth/withOwner.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import {
  briefs,
  classes,
  handIns,
  batchParts,
  batches,
  printFiles,
  projects,
  queueEntries,
  users,
} from '../../platform/db/schema/index.ts';
import { moveEntries } from '../queue/lifecycle.ts';

/** The size that a hand-in was designed with, as its inspection found it. */
export const designedMm = sql<readonly number[] | null>`${handIns.inspection} #> '{value,part,sizeMm}'`;

/** The parts that have or had a place on a batch, with whose they are. The files themselves are left out. */
export async function partsOf(db: Database, batchIds: readonly string[]) {
  if (batchIds.length === 0) return [];
  return entriesWithOwner(db, {
    batchId: batchParts.batchId,
    entryId: batchParts.queueEntryId,
    xMm: batchParts.xMm,
    yMm: batchParts.yMm,
    turnDeg: batchParts.turnDeg,
    ownChoice: batchParts.ownChoice,
    isCurrent: batchParts.isCurrent,
    outcome: batchParts.outcome,
    outcomeNote: batchParts.outcomeNote,
    outcomeAt: batchParts.outcomeAt,
    supportsOffAt: batchParts.supportsOffAt,
    handedOutAt: batchParts.handedOutAt,
    measuredMm: batchParts.measuredMm,
    designedMm,
    hasPhoto: sql<boolean>`${batchParts.outcomePhoto} is not null`,
    copy: queueEntries.copy,
    fileId: printFiles.id,
    name: printFiles.name,
    hash: printFiles.hash,
    footprint: printFiles.footprint,
    estimate: printFiles.estimate,
    colours: printFiles.colours,
    supportMarks: printFiles.supportMarks,
    handInId: handIns.id,
    limits: handIns.limits,
    doubt: handIns.doubt,
    isApproved: sql<boolean>`${handIns.state} = 'approved'`,
    projectId: projects.id,
    student: namesOnProject,
    briefId: briefs.id,
    brief: briefs.title,
    classId: classes.id,
    className: classes.name,
  })
    .innerJoin(batchParts, eq(batchParts.queueEntryId, queueEntries.id))
    .where(inArray(batchParts.batchId, [...batchIds]))
    .orderBy(asc(users.name), asc(queueEntries.copy), asc(queueEntries.id));
}
export type BatchPart = Awaited<ReturnType<typeof partsOf>>[number];

/** A batch that is held until the end of the transaction and may be changed: it is on no printer and not printed. */
export async function openBatch(tx: Database, batchId: string): Promise<typeof batches.$inferSelect> {
  const [batch] = await tx.select().from(batches).where(isId(batchId, batches.id)).for('no key update');
  if (!batch) throw new NotAllowed();
  if (batch.state === 'printing')
    throw new CannotNow('Batch {number} is on a printer: put the parts in a new batch.', {
      number: batch.number,
    });
  if (batch.state === 'printed')
    throw new CannotNow('Batch {number} is printed: put the parts in a new batch.', { number: batch.number });
  if (batch.state === 'discarded')
    throw new CannotNow('Batch {number} was broken up: put the parts in a new batch.', {
      number: batch.number,
    });
  return batch;
}

/** The parts of a batch that are to be printed with it. */
export async function currentParts(db: Database, batchId: string): Promise<BatchPart[]> {
  return (await partsOf(db, [batchId])).filter(({ isCurrent }) => isCurrent);
}

/** Notes that parts are on a batch no more. */
export async function closePlaces(tx: Database, batchId: string): Promise<void> {
  await tx
    .update(batchParts)
    .set({ isCurrent: false })
    .where(and(eq(batchParts.batchId, batchId), batchParts.isCurrent));
}

/** Has a part wait again; its place is forgotten, or kept as one of the past. */
export async function setBack(
  tx: Database,
  person: Person,
  batchId: string,
  entryId: string,
  isPast = false,
): Promise<void> {
  const entry = isId(entryId, batchParts.queueEntryId);
  const here = and(eq(batchParts.batchId, batchId), entry);
  const left = isPast
    ? await tx.update(batchParts).set({ isCurrent: false }).where(here).returning()
    : await tx.delete(batchParts).where(here).returning();
  if (left.length === 0) throw new NotAllowed();
  await moveEntries(tx, 'takeOff', person, eq(queueEntries.id, entryId));
}
