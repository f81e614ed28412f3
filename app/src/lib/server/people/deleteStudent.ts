import { and, eq, inArray, notExists, sql } from 'drizzle-orm';
import { record } from '../audit.ts';
import { classToTeach, type Person } from '../auth/access.ts';
import { studentKey } from '../auth/throttle.ts';
import { CannotNow } from '../cannotNow.ts';
import type { Database } from '../db/database.ts';
import {
  auditLog,
  handIns,
  printFiles,
  projects,
  queueEntries,
  runs,
  signInAttempts,
  solids,
  users,
} from '../db/schema/index.ts';
import { announce } from '../live/topics.ts';
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
  const { code } = await classToTeach(db, teacher, classId);
  const [student] = await studentsIn(db, teacher, classId, [studentId]);
  await db.transaction(async (tx) => {
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
        .innerJoin(queueEntries, eq(queueEntries.id, runs.queueEntryId))
        .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
        .where(
          and(
            inArray(printFiles.handInId, handInIds),
            inArray(runs.state, ['preparing', 'sending', 'printing']),
          ),
        )
        .limit(1);
      if (going)
        throw new CannotNow(
          `A part of ${student.name} is on a printer: cancel that run, or wait until it is done.`,
        );
    }
    await tx.delete(users).where(eq(users.id, student.id));
    const hashes = handedIn.flatMap(({ solidHash }) => solidHash ?? []);
    if (hashes.length > 0) {
      const others = tx
        .select({ one: sql`1` })
        .from(handIns)
        .where(eq(handIns.solidHash, solids.hash));
      await tx.delete(solids).where(and(inArray(solids.hash, hashes), notExists(others)));
    }
    await tx.delete(signInAttempts).where(eq(signInAttempts.key, studentKey(code, student.signInName ?? '')));
    // What the student did is no longer anybody's.
    await tx.delete(auditLog).where(eq(auditLog.actorId, student.id));
    await tx.delete(auditLog).where(inArray(auditLog.subjectId, [student.id, ...handInIds]));
    await record(tx, teacher, 'delete-student', classId, [student.id]);
    await announce(tx, `class:${classId}`, 'printroom');
  });
}
