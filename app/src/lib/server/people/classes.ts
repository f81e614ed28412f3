import { and, asc, eq, isNull } from 'drizzle-orm';
import { patternProblem } from '@kelbrin/core/format';
import { classToTeach, demandRole, type Person } from '../platform/auth/access.ts';
import { countsOfBriefs } from '../briefs/briefCounts.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { briefs, classes, classMembers, projects, teamMembers, users } from '../platform/db/schema/index.ts';
import { standings } from '../projects/projects.ts';

/** The names of a teacher's classes. */
export async function classesOf(db: Database, teacher: Person): Promise<{ id: string; name: string }[]> {
  demandRole(teacher, 'teacher');
  return db
    .select({ id: classes.id, name: classes.name })
    .from(classes)
    .where(eq(classes.teacherId, teacher.id))
    .orderBy(asc(classes.name));
}

/** One of the teacher's classes with every brief, and for each student where the project for it stands. */
export async function classWithStandings(db: Database, teacher: Person, classId: string) {
  const { id, name, code, filePattern, limitsCardId } = await classToTeach(db, teacher, classId);
  const students = await db
    .select({ id: users.id, name: users.name })
    .from(classMembers)
    .innerJoin(users, eq(users.id, classMembers.userId))
    // Helpers are members too, but design nothing.
    .where(and(eq(classMembers.classId, id), eq(users.role, 'student'), isNull(classMembers.archivedAt)))
    .orderBy(asc(users.name));
  const set = await db.select().from(briefs).where(eq(briefs.classId, id)).orderBy(asc(briefs.dueOn));
  const begun = await db
    .select({
      id: projects.id,
      briefId: projects.briefId,
      studentId: projects.studentId,
      revision: projects.revision,
      updatedAt: projects.updatedAt,
    })
    .from(projects)
    .innerJoin(briefs, eq(briefs.id, projects.briefId))
    .where(eq(briefs.classId, id));
  const mates = await db
    .select({ projectId: teamMembers.projectId, studentId: teamMembers.studentId })
    .from(teamMembers)
    .innerJoin(projects, eq(projects.id, teamMembers.projectId))
    .innerJoin(briefs, eq(briefs.id, projects.briefId))
    .where(eq(briefs.classId, id));
  const standing = await standings(
    db,
    begun.map((project) => project.id),
  );
  const counts = await countsOfBriefs(
    db,
    set.map((brief) => brief.id),
    standing,
  );
  const nameOf = new Map(students.map((student) => [student.id, student.name]));
  const projectBy = new Map(
    begun.flatMap((project) => {
      const others = mates.filter(({ projectId }) => projectId === project.id);
      const team = [project.studentId, ...others.map(({ studentId }) => studentId)];
      return team.map((studentId) => {
        const withNames = team.flatMap((each) => (each === studentId ? [] : (nameOf.get(each) ?? [])));
        return [`${project.briefId} ${studentId}`, { ...project, withNames }];
      });
    }),
  );
  return {
    id,
    name,
    code,
    filePattern,
    limitsCardId,
    briefs: set.map((brief) => ({
      id: brief.id,
      title: brief.title,
      dueOn: brief.dueOn,
      counts: counts.get(brief.id)!,
      students: students.map((student) => {
        const project = projectBy.get(`${brief.id} ${student.id}`);
        return { ...student, project: project && { ...project, ...standing.get(project.id)! } };
      }),
    })),
  };
}

/** Says how the files of a teacher's class are called from now on. */
export async function setFilePattern(
  db: Database,
  teacher: Person,
  classId: string,
  pattern: string,
): Promise<void> {
  const { id } = await classToTeach(db, teacher, classId);
  const problem = patternProblem(pattern);
  if (problem !== undefined) throw new CannotNow(problem);
  await db.update(classes).set({ filePattern: pattern.trim() }).where(eq(classes.id, id));
}
