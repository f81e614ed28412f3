import { and, eq, inArray, notExists, sql } from 'drizzle-orm';
import { fileName } from '@kelbrin/core/format';
import { record } from '../platform/audit.ts';
import { classToTeach, type Person } from '../platform/auth/access.ts';
import { namesOnProject } from '../platform/auth/team.ts';
import { handInsWithOwner } from '../platform/auth/withOwner.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import {
  ACTIVE_RUN,
  auditLog,
  briefs,
  classes,
  handIns,
  batchParts,
  printFiles,
  projects,
  queueEntries,
  runs,
  signInAttempts,
  solids,
  teamMembers,
  users,
  versions,
} from '../platform/db/schema/index.ts';
import { endEmptyBatches } from '../printing/batches/lifecycle.ts';
import { announce } from '../platform/live/topics.ts';
import { passOn } from './teams.ts';
import { endSharesOf } from '../projects/sharing/shares.ts';
import { studentsIn } from './classPeople.ts';

/**
 * Deletes a student with all traces: sign-in, projects, versions, hand-ins, print files, places in the queue, runs, and
 * what is kept by its content alone and belongs to nobody else. Only that somebody was deleted, and by whom, stays.
 * What is on a printer at this moment has to end first.
 */
export async function deleteStudent(
  db: Database,
  teacher: Person,
  classId: string,
  studentId: string,
): Promise<void> {
  await classToTeach(db, teacher, classId);
  const [student] = await studentsIn(db, teacher, classId, [studentId]);
  await db.transaction(async (tx) => {
    await endSharesOf(tx, teacher, [student.id]);
    await leaveTeams(tx, student.id);
    const handedIn = await tx
      .select({ id: handIns.id, solidHash: handIns.solidHash })
      .from(handIns)
      .innerJoin(projects, eq(projects.id, handIns.projectId))
      .where(eq(projects.studentId, student.id));
    const handInIds = handedIn.map(({ id }) => id);
    if (handInIds.length > 0) {
      const [going] = await tx
        .select({ id: runs.id })
        .from(runs)
        .innerJoin(batchParts, eq(batchParts.batchId, runs.batchId))
        .innerJoin(queueEntries, eq(queueEntries.id, batchParts.queueEntryId))
        .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
        .where(and(inArray(printFiles.handInId, handInIds), inArray(runs.state, ACTIVE_RUN)))
        .limit(1);
      if (going)
        throw new CannotNow(
          'A part of {name} is on a printer: cancel that print, or wait until it is done.',
          {
            name: student.name,
          },
        );
    }
    await tx.delete(users).where(eq(users.id, student.id));
    // A batch that held nothing but parts of the student's holds nothing.
    await endEmptyBatches(tx, teacher);
    const hashes = handedIn.flatMap(({ solidHash }) => solidHash ?? []);
    if (hashes.length > 0) {
      const others = tx
        .select({ one: sql`1` })
        .from(handIns)
        .where(eq(handIns.solidHash, solids.hash));
      await tx.delete(solids).where(and(inArray(solids.hash, hashes), notExists(others)));
    }
    await tx
      .delete(signInAttempts)
      .where(
        and(eq(signInAttempts.classId, classId), eq(signInAttempts.signInName, student.signInName ?? '')),
      );
    // What the student did is no longer anybody's.
    await tx.delete(auditLog).where(eq(auditLog.actorId, student.id));
    await tx.delete(auditLog).where(inArray(auditLog.subjectId, [student.id, ...handInIds]));
    await record(tx, teacher, 'delete-student', classId, [student.id]);
    await announce(tx, `class:${classId}`, 'printroom');
  });
}

/** What a student did in a team is the team's: it goes on under the names of the others. */
async function leaveTeams(tx: Database, studentId: string): Promise<void> {
  const led = await tx.select({ id: projects.id }).from(projects).where(eq(projects.studentId, studentId));
  const joined = await tx
    .select({ id: teamMembers.projectId })
    .from(teamMembers)
    .where(eq(teamMembers.studentId, studentId));
  await tx.delete(teamMembers).where(eq(teamMembers.studentId, studentId));
  for (const { id } of led) if (await passOn(tx, id)) joined.push({ id });
  for (const { id } of joined) await renameFiles(tx, id);
}

/** Names the print files of a project anew, by whose it is now. */
async function renameFiles(tx: Database, projectId: string): Promise<void> {
  const files = await handInsWithOwner(tx, {
    id: printFiles.id,
    pattern: classes.filePattern,
    brief: briefs.title,
    student: namesOnProject,
    part: handIns.part,
    n: versions.number,
  })
    .innerJoin(versions, eq(versions.id, handIns.versionId))
    .innerJoin(printFiles, eq(printFiles.handInId, handIns.id))
    .where(eq(projects.id, projectId));
  for (const { id, pattern, ...names } of files) {
    await tx
      .update(printFiles)
      .set({ name: fileName(pattern, names) })
      .where(eq(printFiles.id, id));
  }
}
