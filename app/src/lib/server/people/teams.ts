import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import { addPart, designOf, isEmptyPart, recipeOf, type Design } from '@kelbrin/core/design';
import { record } from '../platform/audit.ts';
import { briefToTeach, NotAllowed, type Person } from '../platform/auth/access.ts';
import { namesOnProject, worksOn } from '../platform/auth/team.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import {
  briefs,
  classMembers,
  projectFiles,
  projects,
  teamMembers,
  users,
  versions,
} from '../platform/db/schema/index.ts';
import { announce } from '../platform/live/topics.ts';
import { endProject, newProject } from '../projects/lifecycle.ts';
import { studentsIn } from './classPeople.ts';

/** The students of a brief's class: those in a team with their team's project, and all others. */
export async function teamsOf(db: Database, teacher: Person, briefId: string) {
  const { brief, className } = await briefToTeach(db, teacher, briefId);
  const students = await db
    .select({ id: users.id, name: users.name })
    .from(classMembers)
    .innerJoin(users, eq(users.id, classMembers.userId))
    .where(
      and(
        eq(classMembers.classId, brief.classId),
        eq(users.role, 'student'),
        isNull(classMembers.archivedAt),
      ),
    )
    .orderBy(asc(users.name));
  const begun = await db
    .select({ id: projects.id, studentId: projects.studentId, names: namesOnProject })
    .from(projects)
    .innerJoin(users, eq(users.id, projects.studentId))
    .where(eq(projects.briefId, brief.id));
  const mates = await db
    .select({ projectId: teamMembers.projectId, studentId: teamMembers.studentId })
    .from(teamMembers)
    .innerJoin(projects, eq(projects.id, teamMembers.projectId))
    .where(eq(projects.briefId, brief.id));
  const teams = begun.flatMap(({ id, studentId, names }) => {
    const others = mates.filter(({ projectId }) => projectId === id);
    if (others.length === 0) return [];
    const ids = [studentId, ...others.map((mate) => mate.studentId)];
    return [{ projectId: id, names, students: students.filter((each) => ids.includes(each.id)) }];
  });
  const inTeam = new Set(teams.flatMap((team) => team.students.map(({ id }) => id)));
  const hasBegun = new Set(begun.map(({ studentId }) => studentId));
  return {
    brief: { id: brief.id, title: brief.title, classId: brief.classId },
    className,
    teams,
    alone: students
      .filter(({ id }) => !inTeam.has(id))
      .map((student) => ({ ...student, hasBegun: hasBegun.has(student.id) })),
  };
}

/**
 * Makes a team of students for one project, or adds students to the team that some of them are. What one of them had
 * begun alone goes along as a part; who has handed in or kept a version alone cannot join, so that nothing is lost.
 */
export async function makeTeam(
  db: Database,
  teacher: Person,
  briefId: string,
  studentIds: readonly string[],
): Promise<void> {
  const { brief } = await briefToTeach(db, teacher, briefId);
  const students = await studentsIn(db, teacher, brief.classId, studentIds);
  if (students.length < 2) throw new CannotNow('A team is two students or more: choose another one.');
  await db.transaction(async (tx) => {
    await holdBrief(tx, brief.id);
    const begun = await begunBy(
      tx,
      brief.id,
      students.map(({ id }) => id),
    );
    const teams = begun.filter(({ mates }) => mates > 0);
    if (teams.length > 1) {
      throw new CannotNow(
        '{names} are a team already, and so are {names2}: take one of them out of the team first.',
        {
          names: teams[0].names,
          names2: teams[1].names,
        },
      );
    }
    // A team's project goes on; else the one that cannot move, else the first.
    const [goesOn] = [...teams, ...begun.filter(({ isKept }) => isKept), ...begun];
    const project = goesOn?.project ?? (await begin(tx, teacher, brief, students[0].id));
    for (const own of begun.filter((each) => each.project.id !== project.id)) {
      if (own.isKept) {
        throw new CannotNow(
          '{names} has handed in or kept versions alone already, so cannot join {names2}.',
          {
            names: own.names,
            names2: goesOn.names,
          },
        );
      }
      project.design = await takeAlong(tx, teacher, project, own.project, own.names);
    }
    const joining = students.filter(({ id }) => id !== project.studentId);
    await tx
      .insert(teamMembers)
      .values(joining.map(({ id }) => ({ projectId: project.id, studentId: id })))
      .onConflictDoNothing();
    await record(
      tx,
      teacher,
      'make-team',
      brief.classId,
      students.map(({ id }) => id),
    );
    await announce(tx, `class:${brief.classId}`, `project:${project.id}`);
  });
}

/** Takes a student out of a team; the student goes on alone from a copy of what the team has. */
export async function leaveTeam(
  db: Database,
  teacher: Person,
  briefId: string,
  studentId: string,
): Promise<void> {
  const { brief } = await briefToTeach(db, teacher, briefId);
  await db.transaction(async (tx) => {
    await holdBrief(tx, brief.id);
    const [team] = await begunBy(tx, brief.id, [studentId]);
    if (!team || team.mates === 0) throw new NotAllowed();
    const { project } = team;
    if (project.studentId === studentId) await passOn(tx, project.id);
    else {
      await tx
        .delete(teamMembers)
        .where(and(eq(teamMembers.projectId, project.id), eq(teamMembers.studentId, studentId)));
    }
    const copy = await newProject(tx, teacher, {
      briefId: brief.id,
      studentId,
      design: project.design,
      tickedPrompts: project.tickedPrompts,
      begunAt: project.begunAt,
    });
    await copyFiles(tx, project.id, copy!.id);
    await record(tx, teacher, 'leave-team', brief.classId, [studentId]);
    await announce(tx, `class:${brief.classId}`, `project:${project.id}`);
  });
}

/** Hands a team's project to the next of the team, as when the one whose it was goes; false if there is nobody else. */
export async function passOn(tx: Database, projectId: string): Promise<boolean> {
  const [next] = await tx
    .select({ id: teamMembers.studentId })
    .from(teamMembers)
    .innerJoin(users, eq(users.id, teamMembers.studentId))
    .where(eq(teamMembers.projectId, projectId))
    .orderBy(asc(users.name))
    .limit(1);
  if (!next) return false;
  await tx
    .delete(teamMembers)
    .where(and(eq(teamMembers.projectId, projectId), eq(teamMembers.studentId, next.id)));
  await tx.update(projects).set({ studentId: next.id }).where(eq(projects.id, projectId));
  return true;
}

/** Holds a brief, so that nobody begins it or joins a team for it meanwhile. */
async function holdBrief(tx: Database, briefId: string): Promise<void> {
  await tx.select({ id: briefs.id }).from(briefs).where(eq(briefs.id, briefId)).for('no key update');
}

/** The projects that students have for a brief, each once. */
async function begunBy(tx: Database, briefId: string, studentIds: readonly string[]) {
  const found = new Map<string, typeof projects.$inferSelect & { names: string }>();
  for (const studentId of studentIds) {
    const [row] = await tx
      .select({ project: projects, names: namesOnProject })
      .from(projects)
      .innerJoin(users, eq(users.id, projects.studentId))
      .where(and(eq(projects.briefId, briefId), worksOn(tx, studentId)));
    if (row) found.set(row.project.id, { ...row.project, names: row.names });
  }
  return Promise.all(
    [...found.values()].map(async ({ names, ...project }) => {
      const mates = await tx.$count(teamMembers, eq(teamMembers.projectId, project.id));
      // Every hand-in is a version too.
      const kept = await tx.$count(versions, eq(versions.projectId, project.id));
      return { project, names, mates, isKept: kept > 0 };
    }),
  );
}

async function begin(
  tx: Database,
  teacher: Person,
  brief: typeof briefs.$inferSelect,
  studentId: string,
): Promise<typeof projects.$inferSelect> {
  const design = designOf(brief.starter ?? undefined);
  const project = await newProject(tx, teacher, { briefId: brief.id, studentId, design });
  return project!;
}

/** Brings the parts of a project into another one and ends it; returns the other's design as it is then. */
async function takeAlong(
  tx: Database,
  teacher: Person,
  into: typeof projects.$inferSelect,
  from: typeof projects.$inferSelect,
  name: string,
): Promise<Design> {
  let { design } = into;
  // Who has only opened the brief has changed nothing of what it begins with.
  const own = from.revision === 0 ? [] : from.design.parts.filter(({ id }) => !isEmptyPart(from.design, id));
  for (const part of own) {
    const added = addPart(design, `${part.name}, ${name}`, recipeOf(from.design, part.id));
    if (!added.ok)
      throw new CannotNow('{name} cannot join: {message}', { name, message: added.problem.message });
    design = { ...added.design, chosen: design.chosen };
  }
  await copyFiles(tx, from.id, into.id);
  await tx
    .update(projects)
    .set({ design, revision: sql`${projects.revision} + 1`, updatedAt: new Date() })
    .where(eq(projects.id, into.id));
  await endProject(tx, teacher, from.id);
  return design;
}

async function copyFiles(tx: Database, fromId: string, toId: string): Promise<void> {
  const files = await tx.select().from(projectFiles).where(eq(projectFiles.projectId, fromId));
  if (files.length === 0) return;
  await tx
    .insert(projectFiles)
    .values(files.map((file) => ({ ...file, projectId: toId })))
    .onConflictDoNothing();
}
