import { and, desc, eq, inArray, isNotNull, ne } from 'drizzle-orm';
import { isUsable, outcomeDraft, type OutcomeKind } from '../../../shared/outcome.ts';
import { demandRole, isId, NotAllowed, type Person } from '../../platform/auth/access.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import { batches, batchParts, handIns, printFiles, queueEntries } from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { moveHandIns } from '../../handIns/lifecycle.ts';
import { SentBytes } from '../../platform/sent/sentBytes.ts';
import { takenPicture } from '../../platform/compute/takenPicture.ts';
import { partsOf, type BatchPart } from '../batches/batchParts.ts';
import { takeFileOut } from '../batches/takeFileOut.ts';
import { moveEntries } from '../queue/lifecycle.ts';
import { say } from '@kelbrin/core/words';

/**
 * Writes down what came of a part of a printed batch, with a photo if there is one. One that failed is printed again
 * (it waits in the queue, where it was) or goes back to its student with the note as the reason. What was written down
 * before is corrected, as long as nothing has come of it: the part waits still, or nothing was asked of anybody.
 */
export async function noteOutcome(
  db: Database,
  person: Person,
  batchId: string,
  entryId: string,
  data: unknown,
  photo?: Uint8Array,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  const read = outcomeDraft.safeParse(data);
  if (!read.success) throw new CannotNow(read.error.issues[0].message);
  const { outcome, note, next, measuredMm } = read.data;
  const failed = !isUsable(outcome);
  if (failed && !next) throw new CannotNow('Say whether it is printed again or goes back to its student.');
  if (next === 'student' && note === '')
    throw new CannotNow('Say in the note what the student should change.');
  if (photo) await takenPicture({ name: say('The photo'), sent: new SentBytes(photo) });

  await db.transaction(async (tx) => {
    const [place] = await tx
      .select({ place: batchParts, state: queueEntries.state })
      .from(batchParts)
      .innerJoin(queueEntries, eq(queueEntries.id, batchParts.queueEntryId))
      .where(and(isId(batchId, batchParts.batchId), isId(entryId, batchParts.queueEntryId)))
      .for('no key update');
    if (!place) throw new NotAllowed();
    if (place.place.isCurrent) throw new CannotNow('This batch is not printed yet: wait until it has ended.');
    const parts = await partsOf(tx, [batchId]);
    const part = parts.find((each) => each.entryId === entryId)!;
    if (place.place.outcome) await takeOutcomeBack(tx, person, part);
    else if (place.state !== 'printed')
      throw new CannotNow('This part was not printed in this batch: open the batch that it was printed in.');
    await tx
      .update(batchParts)
      .set({ outcome, outcomeNote: note, outcomePhoto: photo, measuredMm, outcomeAt: new Date() })
      .where(and(eq(batchParts.batchId, batchId), eq(batchParts.queueEntryId, entryId)));
    if (failed && next === 'again') {
      if (!part.isApproved)
        throw new CannotNow('This part went back to its student, so it is not printed again as it is.');
      await moveEntries(tx, 'printAgain', person, eq(queueEntries.id, entryId));
    } else if (failed) {
      await moveHandIns(tx, 'giveBack', person, eq(handIns.id, part.handInId), { comment: note });
      await takeFileOut(tx, person, part.fileId);
    }
    await announce(tx, `project:${part.projectId}`, `class:${part.classId}`, 'printroom');
  });
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
