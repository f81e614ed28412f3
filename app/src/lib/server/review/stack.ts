import { and, asc, desc, eq, gt, isNull, lt, ne, sql } from 'drizzle-orm';
import { demandRole, handInToTeach, type Person } from '../platform/auth/access.ts';
import { namesOnProject } from '../platform/auth/team.ts';
import { handInsWithOwner } from '../platform/auth/withOwner.ts';
import type { Database } from '../platform/db/database.ts';
import { briefs, classes, fieldOf, handIns } from '../platform/db/schema/index.ts';
import { announce } from '../platform/live/topics.ts';
import { keptRemarksOf, remarksOf } from './remarks.ts';
import { waiversOf } from '../handIns/waivers.ts';

/** The hand-ins of a teacher's classes, those that wait first and the oldest of them first. */
export async function handInsToReview(db: Database, person: Person) {
  demandRole(person, 'teacher');
  return handInsWithOwner(db, {
    id: handIns.id,
    number: handIns.number,
    state: handIns.state,
    createdAt: handIns.createdAt,
    solidHash: handIns.solidHash,
    student: namesOnProject,
    brief: briefs.title,
    classId: classes.id,
    className: classes.name,
    verdict: fieldOf<'pass' | 'warn' | 'fail' | null>(handIns.inspection, 'verdict'),
  })
    .where(and(eq(classes.teacherId, person.id), ne(handIns.state, 'withdrawn')))
    .orderBy(desc(sql`${handIns.state} in ('waiting', 'checking')`), asc(handIns.createdAt));
}

/** One hand-in with all that is said about it, and the one before it of the same part if there was one. */
export async function handInToReview(db: Database, person: Person, handInId: string) {
  const { handIn, project, brief, student } = await handInToTeach(db, person, handInId);
  const [before] = await db
    .select({
      id: handIns.id,
      number: handIns.number,
      recipe: handIns.recipe,
      limits: handIns.limits,
      rules: handIns.rules,
      supportMarks: handIns.supportMarks,
      comment: handIns.comment,
    })
    .from(handIns)
    .where(
      and(
        eq(handIns.projectId, project.id),
        eq(handIns.partId, handIn.partId),
        lt(handIns.number, handIn.number),
        ne(handIns.state, 'withdrawn'),
        ne(handIns.state, 'refused'),
      ),
    )
    .orderBy(desc(handIns.number))
    .limit(1);
  const [other] = await db
    .select({ number: handIns.number, part: handIns.part })
    .from(handIns)
    .where(
      and(
        eq(handIns.projectId, project.id),
        ne(handIns.partId, handIn.partId),
        gt(handIns.number, before?.number ?? 0),
        lt(handIns.number, handIn.number),
        ne(handIns.state, 'withdrawn'),
        ne(handIns.state, 'refused'),
      ),
    )
    .orderBy(desc(handIns.number))
    .limit(1);
  const waiting = (await handInsToReview(db, person)).filter(({ state }) => state === 'waiting');
  return {
    handIn,
    project,
    brief,
    student,
    estimate: handIn.estimate ?? undefined,
    before: before && { ...before, remarks: await remarksOf(db, before.id) },
    /** A later one before it that was of another part. */
    other,
    remarks: await remarksOf(db, handIn.id),
    kept: await keptRemarksOf(db, person),
    waivers: (await waiversOf(db, [handIn.id])).get(handIn.id) ?? [],
    /** The ids of all that wait, in the order in which they are gone through. */
    stack: waiting.map(({ id }) => id),
  };
}

/** Notes that the teacher looks at a hand-in, after which the student cannot take it back. */
export async function noteSeen(db: Database, person: Person, handInId: string): Promise<void> {
  const { handIn, project } = await handInToTeach(db, person, handInId);
  const seen = await db
    .update(handIns)
    .set({ seenAt: new Date() })
    .where(and(eq(handIns.id, handIn.id), isNull(handIns.seenAt), eq(handIns.state, 'waiting')))
    .returning({ id: handIns.id });
  if (seen.length > 0) await announce(db, `project:${project.id}`);
}
