import { and, asc, count, eq, isNotNull, isNull, or, sql } from 'drizzle-orm';
import { demandRole, type Person } from '../platform/auth/access.ts';
import { shutIn } from '../platform/auth/throttle.ts';
import { namesOnProject } from '../platform/auth/team.ts';
import { projectsWithOwner } from '../platform/auth/withOwner.ts';
import { countsOfBriefs } from '../briefs/briefCounts.ts';
import type { Database } from '../platform/db/database.ts';
import {
  briefs,
  classes,
  classMembers,
  fieldOf,
  projects,
  pulses,
  users,
} from '../platform/db/schema/index.ts';
import { printersWithRuns } from '../printing/printRoom.ts';
import { standings } from '../projects/projects.ts';
import { countWaiting } from '../printing/queue/queue.ts';

/** A check that fails, and no edit for a few minutes of a lesson: so much at least is needed to be stuck. */
const mayBeStuck = and(
  sql`coalesce(${fieldOf(pulses.report, 'verdict')}, 'fail') = 'fail'`,
  isNotNull(pulses.report),
  sql`${projects.updatedAt} between now() - interval '90 minutes' and now() - interval '2 minutes'`,
);

/** What a teacher sees first: every class with its briefs in figures, who may need help, and what the printers do. */
export async function teacherHome(db: Database, teacher: Person) {
  demandRole(teacher, 'teacher');
  const own = await db
    .select({ id: classes.id, name: classes.name, code: classes.code, students: count(users.id) })
    .from(classes)
    .leftJoin(classMembers, and(eq(classMembers.classId, classes.id), isNull(classMembers.archivedAt)))
    .leftJoin(users, and(eq(users.id, classMembers.userId), eq(users.role, 'student')))
    .where(eq(classes.teacherId, teacher.id))
    .groupBy(classes.id)
    .orderBy(asc(classes.name));
  const set = await db
    .select({
      id: briefs.id,
      classId: briefs.classId,
      title: briefs.title,
      dueOn: briefs.dueOn,
    })
    .from(briefs)
    .innerJoin(classes, eq(classes.id, briefs.classId))
    .where(eq(classes.teacherId, teacher.id))
    .orderBy(asc(briefs.dueOn), asc(briefs.title));
  const counts = await countsOfBriefs(
    db,
    set.map(({ id }) => id),
  );
  const shut = new Set<string>();
  for (const { id } of own) {
    const { names, isClass } = await shutIn(db, id);
    if (isClass || names.length > 0) shut.add(id);
  }
  const printing = await printersWithRuns(db, teacher);
  return {
    classes: own.map((group) => ({
      ...group,
      isShut: shut.has(group.id),
      briefs: set
        .filter(({ classId }) => classId === group.id)
        .map((brief) => ({ ...brief, ...counts.get(brief.id)! })),
    })),
    learners: await whoMayNeed(db, teacher),
    queued: await countWaiting(db, teacher),
    printers: printing.map(({ id, name, status, run, places }) => ({
      id,
      name,
      places,
      isOnline: status?.online ?? false,
      run: run && {
        students: run.parts.map(({ student }) => student),
        secondsLeft: run.estimateS * (1 - run.progress),
      },
    })),
  };
}

/** Students who ask for help, or who may be stuck; the page decides by its clock. */
async function whoMayNeed(db: Database, teacher: Person) {
  const rows = await projectsWithOwner(db, {
    projectId: projects.id,
    briefId: briefs.id,
    student: namesOnProject,
    brief: briefs.title,
    updatedAt: projects.updatedAt,
    helpAskedAt: projects.helpAskedAt,
    report: pulses.report,
  })
    .leftJoin(pulses, eq(pulses.projectId, projects.id))
    .where(and(eq(classes.teacherId, teacher.id), or(isNotNull(projects.helpAskedAt), mayBeStuck)));
  const standing = await standings(
    db,
    rows.map(({ projectId }) => projectId),
  );
  return rows.map((row) => ({ ...row, state: standing.get(row.projectId)!.state }));
}
