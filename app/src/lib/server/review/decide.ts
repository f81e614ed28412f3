import { desc, eq, getTableColumns } from 'drizzle-orm';
import { fileName } from '@kelbrin/core/format';
import { checkTitle } from '@kelbrin/core/inspect';
import { handInToTeach, type Person } from '../platform/auth/access.ts';
import { record } from '../platform/audit.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { handIns, printFiles, remarks, solids, waivers } from '../platform/db/schema/index.ts';
import { moveHandIns } from '../handIns/lifecycle.ts';
import { untellStudents } from '../platform/notices.ts';
import { limitsOf } from '../projects/projects.ts';
import { sha256 } from '../platform/basics/sha256.ts';
import { leavePlaces, takePlaces, waitingFileOf } from '../printing/queue/queuePlaces.ts';
import { notWaiting } from './notWaiting.ts';

/** A failing check that is let through, and why. */
export interface Waiver {
  readonly check: string;
  readonly reason: string;
}

/** Sends a hand-in back to its student with a comment, or with remarks that were written on it. */
export async function sendBack(
  db: Database,
  person: Person,
  handInId: string,
  comment: string,
): Promise<void> {
  const { handIn } = await handInToTeach(db, person, handInId);
  const said = comment.trim();
  await db.transaction(async (tx) => {
    if (said === '' && (await tx.$count(remarks, eq(remarks.handInId, handIn.id))) === 0) {
      throw new CannotNow('Say in a sentence what to change, or write a remark on a step.');
    }
    await decide(tx, person, handIn.id, 'sendBack', said || null);
  });
}

/**
 * Approves a hand-in: its solid is frozen as a print file and joins the queue, in the place of an earlier version of the
 * same project that still waits there.
 *
 * `solidHash` is the hash of what the teacher was shown; approval is refused if the inspected solid is another one, if
 * its bytes no longer have the hash they were stored under, or if a check failed that is not waived with a reason.
 */
export async function approve(
  db: Database,
  person: Person,
  handInId: string,
  solidHash: string,
  waived: readonly Waiver[] = [],
): Promise<void> {
  const { handIn, project, brief, filePattern, student, version } = await handInToTeach(db, person, handInId);
  if (handIn.solidHash === null || handIn.solidHash !== solidHash) {
    throw new CannotNow('What you looked at is not what was inspected: open the hand-in again.');
  }
  const failing = handIn.inspection?.checks.filter(({ verdict }) => verdict === 'fail') ?? [];
  const letThrough = failing.map(({ id }) => {
    const reason = waived.find(({ check }) => check === id)?.reason.trim() ?? '';
    if (reason === '') {
      throw new CannotNow(
        '“{checkTitle}” fails, so the printer cannot make this: send it back, or say why it may fail.',
        {
          checkTitle: checkTitle(id),
        },
      );
    }
    return { handInId: handIn.id, check: id, reason: reason.slice(0, 400), waivedBy: person.id };
  });
  await db.transaction(async (tx) => {
    await decide(tx, person, handIn.id, 'approve', null);
    const { estimate, footprint, supportMarks } = handIns;
    const [solid] = await tx
      .select({ ...getTableColumns(solids), estimate, footprint, supportMarks })
      .from(handIns)
      .innerJoin(solids, eq(solids.hash, handIns.solidHash))
      .where(eq(handIns.id, handIn.id));
    if (sha256(solid.threeMf) !== solid.hash || sha256(solid.stl) !== solid.stlHash) {
      throw new CannotNow(
        'The stored solid was altered after its inspection, so it cannot be approved. Send it back; the student hands it in again.',
      );
    }
    if (letThrough.length > 0) await tx.insert(waivers).values(letThrough);
    const replaced = await waitingFileOf(tx, project.id);
    const [file] = await tx
      .insert(printFiles)
      .values({
        handInId: handIn.id,
        replaces: replaced?.fileId,
        name: fileName(filePattern, { brief: brief.title, student, part: handIn.part, n: version }),
        hash: solid.hash,
        threeMf: solid.threeMf,
        stlHash: solid.stlHash,
        stl: solid.stl,
        // Whatever was inspected has both.
        estimate: solid.estimate!,
        footprint: solid.footprint!,
        colours: solid.colours,
        supportMarks: solid.supportMarks,
      })
      .returning({ id: printFiles.id });
    await takePlaces(tx, person, file.id, brief.copies, replaced?.entryIds ?? []);
    if (letThrough.length > 0) await record(tx, person, 'waive', brief.classId, [handIn.id]);
  });
}

/** What came of approving several hand-ins at once: how many were, and why others were not. */
export interface ApprovedTogether {
  readonly approved: number;
  readonly refused: readonly string[];
}

/** Approves hand-ins that pass every check and requirement, each on its own, so that one that cannot be keeps none of the others. */
export async function approveAll(
  db: Database,
  person: Person,
  chosen: readonly { readonly id: string; readonly solidHash: string }[],
): Promise<ApprovedTogether> {
  const refused: string[] = [];
  let approved = 0;
  for (const { id, solidHash } of chosen) {
    const { handIn, student } = await handInToTeach(db, person, id);
    try {
      if (handIn.inspection?.verdict !== 'pass')
        throw new CannotNow('It does not pass every check: open it to decide on it alone.');
      await approve(db, person, id, solidHash);
      approved++;
    } catch (problem) {
      if (!(problem instanceof CannotNow)) throw problem;
      refused.push(`${student}: ${problem.message}`);
    }
  }
  return { approved, refused };
}

/**
 * Undoes a decision: the hand-in waits again. An approval can be undone until its file was put on a printer, and what it
 * replaced in the queue comes back; sending back can be undone until the student hands in again.
 */
export async function undoDecision(db: Database, person: Person, handInId: string): Promise<void> {
  const { handIn, project, limitsCardId } = await handInToTeach(db, person, handInId);
  await db.transaction(async (tx) => {
    const [{ state }] = await tx
      .select({ state: handIns.state })
      .from(handIns)
      .where(eq(handIns.id, handIn.id))
      .for('no key update');
    if (state !== 'approved' && state !== 'sent_back') {
      throw new CannotNow('There is no decision to undo: load the page again.');
    }
    const [latest] = await tx
      .select({ number: handIns.number })
      .from(handIns)
      .where(eq(handIns.projectId, project.id))
      .orderBy(desc(handIns.number))
      .limit(1);
    if (latest.number !== handIn.number) {
      throw new CannotNow(
        'The student has handed in again since, so this decision stands: decide on the new hand-in.',
      );
    }
    const isIt = eq(handIns.id, handIn.id);
    if (state === 'sent_back' && (await tx.$count(printFiles, eq(printFiles.handInId, handIn.id))) > 0) {
      // It was approved and printed before it went back, and is approved again.
      await moveHandIns(tx, 'undoGiveBack', person, isIt, { comment: null });
      await untellStudents(tx, project.id, 'sent_back');
      return;
    }
    if (state === 'approved') await leavePlaces(tx, person, handIn.id);
    await tx.delete(waivers).where(eq(waivers.handInId, handIn.id));
    const undecided = { comment: null, decidedBy: null, decidedAt: null };
    if (handIn.doubt) {
      // An approval that no longer holds is decided on what the server finds by the limits as they are now.
      const limits = await limitsOf(tx, limitsCardId);
      await moveHandIns(tx, 'undoDoubted', person, isIt, { ...undecided, doubt: null, limits });
    } else {
      await moveHandIns(tx, 'undo', person, isIt, undecided);
    }
    await untellStudents(tx, project.id, 'sent_back', 'approved');
  });
}

/** Decides on a hand-in that waits for it; of two at once the second is told. */
async function decide(
  tx: Database,
  person: Person,
  handInId: string,
  decision: 'sendBack' | 'approve',
  comment: string | null,
): Promise<void> {
  const also = { comment, decidedBy: person.id, decidedAt: new Date() };
  const decided = await moveHandIns(tx, decision, person, eq(handIns.id, handInId), also);
  if (decided.length === 0) throw notWaiting();
}
