import { and, desc, eq, inArray, isNotNull, isNull, ne, notInArray } from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import {
  isUsable,
  outcomeKinds,
  outcomesDraft,
  type AfterFailure,
  type OutcomeDraft,
  type OutcomeKind,
  type OutcomesDraft,
} from '../../../shared/outcome.ts';
import { hasSupports } from '../../../shared/heldBy.ts';
import { demandRole, isId, maySeeProject, NotAllowed, type Person } from '../../platform/auth/access.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import {
  batches,
  batchParts,
  correctedOutcomes,
  handIns,
  printFiles,
  queueEntries,
  users,
} from '../../platform/db/schema/index.ts';
import { tellStudents, tellTeacher, untellStudents } from '../../platform/notices.ts';
import { record } from '../../platform/audit.ts';
import { announce } from '../../platform/live/topics.ts';
import { moveHandIns } from '../../handIns/lifecycle.ts';
import { SentBytes } from '../../platform/sent/sentBytes.ts';
import { takenPicture } from '../../platform/compute/takenPicture.ts';
import { partsOf, type BatchPart } from '../batches/batchParts.ts';
import { takeFileOut } from '../batches/takeFileOut.ts';
import { moveEntries } from '../queue/lifecycle.ts';
import { say } from '@kelbrin/core/words';

/**
 * Writes down what came of parts of a printed batch, of all or of none, with photos by the place in the queue. One that
 * failed is printed again (it waits in the queue, where it was), goes back to its student with the note as the reason, or
 * waits for its teacher. What was written down before is corrected, as long as nothing has come of it: the part waits
 * still, or nothing was asked of anybody; what it was, and who corrected it, is kept.
 */
export async function noteOutcomes(
  db: Database,
  person: Person,
  batchId: string,
  data: unknown,
  photos: ReadonlyMap<string, Uint8Array> = new Map(),
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  const read = outcomesDraft.safeParse(data);
  if (!read.success) throw new CannotNow(read.error.issues[0].message);
  for (const draft of read.data) demandReason(draft);
  for (const photo of photos.values())
    await takenPicture({ name: say('The photo'), sent: new SentBytes(photo) });

  await db.transaction(async (tx) => {
    // In one order, so that two people who judge one batch wait for each other instead of stopping each other.
    const drafts = read.data.toSorted((a, b) => a.entry.localeCompare(b.entry));
    for (const draft of drafts) await noteOne(tx, person, batchId, draft, photos.get(draft.entry));
    await announce(tx, 'printroom');
  });
}

/** Throws where what failed is not said to be printed again or to be changed, and by what reason. */
function demandReason({ outcome, next, note }: OutcomeDraft): void {
  if (isUsable(outcome)) return;
  if (!next)
    throw new CannotNow('Say whether it is printed again, goes back to its student, or to its teacher.');
  if (next === 'student' && note === '')
    throw new CannotNow('Say in the note what the student should change.');
}

async function noteOne(
  tx: Database,
  person: Person,
  batchId: string,
  { entry: entryId, outcome, note, next, measuredMm, isCorrection }: OutcomesDraft[number],
  photo: Uint8Array | undefined,
): Promise<void> {
  const [found] = await tx
    .select({ place: batchParts, state: queueEntries.state, batchState: batches.state })
    .from(batchParts)
    .innerJoin(batches, eq(batches.id, batchParts.batchId))
    .innerJoin(queueEntries, eq(queueEntries.id, batchParts.queueEntryId))
    .where(and(isId(batchId, batchParts.batchId), isId(entryId, batchParts.queueEntryId)))
    .for('no key update');
  if (!found) throw new NotAllowed();
  const { place, state, batchState } = found;
  if (batchState !== 'printed')
    throw new CannotNow('This batch is not printed yet: wait until it has ended.');
  const parts = await partsOf(tx, [batchId]);
  const part = parts.find((each) => each.entryId === entryId)!;
  if (place.outcome) {
    if (!isCorrection)
      throw new CannotNow(
        'Somebody has written down meanwhile what came of {student}’s part: load the page again.',
        { student: part.student },
      );
    await takeOutcomeBack(tx, person, part);
    await tx.insert(correctedOutcomes).values({
      batchId,
      queueEntryId: entryId,
      outcome: place.outcome,
      note: place.outcomeNote,
      by: place.outcomeBy,
      at: place.outcomeAt,
      correctedBy: person.id,
    });
  } else if (state !== 'printed')
    throw new CannotNow('This part was not printed in this batch: open the batch that it was printed in.');
  const isIt = and(eq(batchParts.batchId, batchId), eq(batchParts.queueEntryId, entryId));
  const written = { outcome, outcomeNote: note, outcomePhoto: photo, measuredMm };
  await tx
    .update(batchParts)
    .set({ ...written, outcomeAt: new Date(), outcomeBy: person.id, handedOutAt: null })
    .where(isIt);
  if (!isUsable(outcome)) await sendOn(tx, person, part, next!, note);
  await announce(tx, `project:${part.projectId}`, `class:${part.classId}`);
}

/** Sends a part that failed where it belongs. */
async function sendOn(
  tx: Database,
  person: Person,
  part: BatchPart,
  next: AfterFailure,
  note: string,
): Promise<void> {
  if (next === 'student') {
    await moveHandIns(tx, 'giveBack', person, eq(handIns.id, part.handInId), { comment: note });
    await takeFileOut(tx, person, part.fileId);
    return;
  }
  if (!part.isApproved)
    throw new CannotNow('This part went back to its student, so it is not printed again as it is.');
  const isIt = eq(queueEntries.id, part.entryId);
  await moveEntries(tx, 'printAgain', person, isIt);
  await tellStudents(tx, part.projectId, 'print_failed');
  if (next !== 'teacher') return;
  await tx.update(queueEntries).set({ heldAt: new Date() }).where(isIt);
  await tellTeacher(tx, part.briefId, 'part_failed');
}

/** Notes that parts of a batch that can be used were handed to whom they belong: one of them, or all. */
export async function handOut(
  db: Database,
  person: Person,
  batchId: string,
  entryId?: string,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  const isOfBatch = isId(batchId, batchParts.batchId);
  const inSupports = (await partsOf(db, [batchId])).filter(hasSupports).map((part) => part.entryId);
  if (entryId !== undefined && inSupports.includes(entryId))
    throw new CannotNow('Break the supports off this part first, and say so: then it can be handed out.');
  const handed = await db
    .update(batchParts)
    .set({ handedOutAt: new Date() })
    .where(
      and(
        isOfBatch,
        entryId === undefined ? undefined : isId(entryId, batchParts.queueEntryId),
        inArray(batchParts.outcome, outcomeKinds.filter(isUsable)),
        isNull(batchParts.handedOutAt),
        inSupports.length > 0 ? notInArray(batchParts.queueEntryId, inSupports) : undefined,
      ),
    )
    .returning({ id: batchParts.queueEntryId });
  if (handed.length === 0)
    throw new CannotNow('There is nothing to hand out: write down first what came of the parts.');
  await record(
    db,
    person,
    'hand-out',
    null,
    handed.map(({ id }) => id),
  );
  await announce(db, 'printroom');
}

/** What was written down of parts of a batch and corrected since, the newest first. */
export async function correctionsOf(db: Database, batchId: string) {
  const before = alias(users, 'before');
  const after = alias(users, 'after');
  return db
    .select({
      entryId: correctedOutcomes.queueEntryId,
      outcome: correctedOutcomes.outcome,
      note: correctedOutcomes.note,
      by: before.name,
      at: correctedOutcomes.at,
      correctedBy: after.name,
      correctedAt: correctedOutcomes.correctedAt,
    })
    .from(correctedOutcomes)
    .leftJoin(before, eq(before.id, correctedOutcomes.by))
    .leftJoin(after, eq(after.id, correctedOutcomes.correctedBy))
    .where(eq(correctedOutcomes.batchId, batchId))
    .orderBy(desc(correctedOutcomes.correctedAt));
}

/** Has a part stand as it did when it was printed, before its outcome was written down; throws where that is too late. */
async function takeOutcomeBack(tx: Database, person: Person, part: BatchPart): Promise<void> {
  const later = await tx
    .select({ number: batches.number })
    .from(batchParts)
    .innerJoin(batches, eq(batches.id, batchParts.batchId))
    .where(and(eq(batchParts.queueEntryId, part.entryId), ne(batchParts.batchId, part.batchId)))
    .orderBy(desc(batches.number));
  const [{ number }] = await tx
    .select({ number: batches.number })
    .from(batches)
    .where(eq(batches.id, part.batchId));
  if (later.some((other) => other.number > number))
    throw new CannotNow('This part is in another batch since, so what was noted of this one stays.');
  if (!part.isApproved)
    throw new CannotNow('This part went back to its student. Undo that in the review first.');
  const isIt = eq(queueEntries.id, part.entryId);
  await moveEntries(tx, 'countAsPrinted', person, isIt);
  await tx.update(queueEntries).set({ heldAt: null }).where(isIt);
  await untellStudents(tx, part.projectId, 'print_failed');
  if ((await tx.$count(queueEntries, and(isIt, eq(queueEntries.state, 'printed')))) === 0)
    throw new CannotNow('This part was taken out of the queue. Put it back there first.');
}

/** What came of the last print of each hand-in; nothing of those of which nobody has written it down. */
export async function outcomesOf(
  db: Database,
  handInIds: readonly string[],
): Promise<Map<string, { outcome: OutcomeKind; note: string }>> {
  if (handInIds.length === 0) return new Map();
  const rows = await db
    .selectDistinctOn([printFiles.handInId], {
      handInId: printFiles.handInId,
      outcome: batchParts.outcome,
      note: batchParts.outcomeNote,
    })
    .from(batchParts)
    .innerJoin(queueEntries, eq(queueEntries.id, batchParts.queueEntryId))
    .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .where(and(inArray(printFiles.handInId, [...handInIds]), isNotNull(batchParts.outcome)))
    .orderBy(printFiles.handInId, desc(batchParts.outcomeAt));
  return new Map(rows.map(({ handInId, outcome, note }) => [handInId, { outcome: outcome!, note }]));
}

/** The photo that was taken of a part; throws {@link NotAllowed} if there is none. */
export async function outcomePhoto(
  db: Database,
  person: Person,
  batchId: string,
  entryId: string,
): Promise<Uint8Array> {
  demandRole(person, 'teacher', 'helper');
  const [found] = await db
    .select({ photo: batchParts.outcomePhoto })
    .from(batchParts)
    .where(and(isId(batchId, batchParts.batchId), isId(entryId, batchParts.queueEntryId)));
  if (!found?.photo) throw new NotAllowed();
  return found.photo;
}

/** The newest photo that was taken of a part of a project, for those who may see it; throws {@link NotAllowed} if there is none. */
export async function newestPhoto(db: Database, person: Person, projectId: string): Promise<Uint8Array> {
  if (!(await maySeeProject(db, person, projectId))) throw new NotAllowed();
  const [found] = await db
    .select({ photo: batchParts.outcomePhoto })
    .from(batchParts)
    .innerJoin(queueEntries, eq(queueEntries.id, batchParts.queueEntryId))
    .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .innerJoin(handIns, eq(handIns.id, printFiles.handInId))
    .where(and(eq(handIns.projectId, projectId), isNotNull(batchParts.outcomePhoto)))
    .orderBy(desc(batchParts.outcomeAt))
    .limit(1);
  if (!found?.photo) throw new NotAllowed();
  return found.photo;
}
