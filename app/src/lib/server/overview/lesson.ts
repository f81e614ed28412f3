import { and, asc, eq, isNull, notInArray, sql } from 'drizzle-orm';
import { checks } from '@kelbrin/core/inspect';
import type { BenchReport } from '../../shared/benchReport.ts';
import { briefToTeach, ownProject, projectToWatch, type Person } from '../platform/auth/access.ts';
import { worksOn } from '../platform/auth/team.ts';
import { countsOfBriefs } from '../briefs/briefCounts.ts';
import type { Database } from '../platform/db/database.ts';
import { classMembers, failings, projects, pulses, users } from '../platform/db/schema/index.ts';
import { announce } from '../platform/live/topics.ts';
import { standings } from '../projects/projects.ts';

/*
 * What goes on during a lesson: what benches say of themselves, prompts that are ticked off, and who asks for help.
 * Each is told to the class's teacher at once.
 */

/** Takes what a student's own bench says of itself. */
export async function savePulse(
  db: Database,
  person: Person,
  projectId: string,
  report: BenchReport,
): Promise<void> {
  const { project, brief } = await ownProject(db, person, projectId);
  await db.transaction(async (tx) => {
    await tx
      .insert(pulses)
      .values({ projectId: project.id, report })
      .onConflictDoUpdate({ target: pulses.projectId, set: { report, at: new Date() } });
    // A recipe that cannot be built says nothing of checks.
    if (report.verdict !== null) await noteFailings(tx, project.id, report.failing);
    await announce(tx, `class:${brief.classId}`);
  });
}

/** Notes which checks fail from now on, and which were mended. */
async function noteFailings(tx: Database, projectId: string, failing: readonly string[]): Promise<void> {
  const known = failing.filter((id) => checks.some((check) => check.id === id));
  await tx
    .update(failings)
    .set({ until: new Date() })
    .where(
      and(
        eq(failings.projectId, projectId),
        isNull(failings.until),
        known.length > 0 ? notInArray(failings.check, known) : undefined,
      ),
    );
  if (known.length === 0) return;
  await tx
    .insert(failings)
    .values(known.map((check) => ({ projectId, check })))
    .onConflictDoNothing();
}

/** Ticks a prompt off by hand, or takes that back; ids that the brief does not have change nothing. */
export async function tickPrompt(
  db: Database,
  person: Person,
  projectId: string,
  promptId: string,
  isDone: boolean,
): Promise<void> {
  const { project, brief } = await ownProject(db, person, projectId);
  if (!brief.guidance.some(({ id }) => id === promptId)) return;
  const without = sql`array_remove(${projects.tickedPrompts}, ${promptId})`;
  await db
    .update(projects)
    .set({ tickedPrompts: isDone ? sql`array_append(${without}, ${promptId})` : without })
    .where(eq(projects.id, project.id));
  await announce(db, `project:${project.id}`, `class:${brief.classId}`);
}

/** Says that a student asks for help, or does not any more. Who asks already keeps the place in the row. */
export async function askForHelp(
  db: Database,
  person: Person,
  projectId: string,
  asks: boolean,
): Promise<void> {
  const { project, brief } = await ownProject(db, person, projectId);
  await db
    .update(projects)
    .set({ helpAskedAt: asks ? sql`coalesce(${projects.helpAskedAt}, now())` : null })
    .where(eq(projects.id, project.id));
  await announce(db, `project:${project.id}`, `class:${brief.classId}`);
}

/** Says that somebody of the staff has helped. */
export async function noteHelped(db: Database, person: Person, projectId: string): Promise<void> {
  const { project, brief } = await projectToWatch(db, person, projectId);
  await db.update(projects).set({ helpAskedAt: null }).where(eq(projects.id, project.id));
  await announce(db, `project:${project.id}`, `class:${brief.classId}`);
}

/** Everyone of the class with what they have of the brief, a team in one; students who have not begun it as well. */
export async function lessonOf(db: Database, teacher: Person, briefId: string) {
  const { brief, className } = await briefToTeach(db, teacher, briefId);
  const rows = await db
    .select({
      studentId: users.id,
      name: users.name,
      projectId: projects.id,
      revision: projects.revision,
      updatedAt: projects.updatedAt,
      helpAskedAt: projects.helpAskedAt,
      report: pulses.report,
    })
    .from(classMembers)
    .innerJoin(users, eq(users.id, classMembers.userId))
    .leftJoin(projects, and(eq(projects.briefId, brief.id), worksOn(db, users.id)))
    .leftJoin(pulses, eq(pulses.projectId, projects.id))
    .where(
      and(
        eq(classMembers.classId, brief.classId),
        eq(users.role, 'student'),
        isNull(classMembers.archivedAt),
      ),
    )
    .orderBy(asc(users.name));
  const standing = await standings(
    db,
    rows.flatMap(({ projectId }) => projectId ?? []),
  );
  const namesOn = (projectId: string) =>
    rows.flatMap((row) => (row.projectId === projectId ? row.name : [])).join(' & ');
  const first = rows.filter(
    ({ projectId }, i) => projectId === null || rows.findIndex((row) => row.projectId === projectId) === i,
  );
  return {
    brief,
    className,
    toReview: (await countsOfBriefs(db, [brief.id])).get(brief.id)!.toReview,
    learners: first.map(({ studentId, name, projectId, revision, updatedAt, helpAskedAt, report }) => ({
      studentId,
      name: projectId === null ? name : namesOn(projectId),
      project:
        projectId === null
          ? undefined
          : {
              id: projectId,
              revision: revision!,
              updatedAt: updatedAt!,
              helpAskedAt,
              report,
              state: standing.get(projectId)!.state,
            },
    })),
  };
}
