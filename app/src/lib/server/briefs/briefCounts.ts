import { and, eq, inArray, isNull } from 'drizzle-orm';
import { worksOn } from '../platform/auth/team.ts';
import type { Database } from '../platform/db/database.ts';
import { briefs, classMembers, projects, users } from '../platform/db/schema/index.ts';
import { standings, type Standing } from '../projects/projects.ts';

/** A brief in figures. They are the same wherever they are told. */
export interface BriefCounts {
  /** How many students of the class have begun it; of a team each counts. */
  readonly begun: number;
  /** How many hand-ins wait to be reviewed; a team has one. */
  readonly toReview: number;
  /** How many students have something approved, whether it is printed yet or not. */
  readonly approved: number;
}

const APPROVED: readonly string[] = ['approved', 'printing', 'printed'];

/** The figures of each of the given briefs, by brief id. `known` is where their projects stand, for who has looked that up. */
export async function countsOfBriefs(
  db: Database,
  briefIds: readonly string[],
  known?: ReadonlyMap<string, Standing>,
): Promise<Map<string, BriefCounts>> {
  if (briefIds.length === 0) return new Map();
  const all = await db
    .select({ id: projects.id, briefId: projects.briefId })
    .from(projects)
    .where(inArray(projects.briefId, [...briefIds]));
  const ids = all.map(({ id }) => id);
  const standing = known ?? (await standings(db, ids));
  const working = await db
    .select({ briefId: briefs.id, projectId: projects.id })
    .from(briefs)
    .innerJoin(classMembers, and(eq(classMembers.classId, briefs.classId), isNull(classMembers.archivedAt)))
    .innerJoin(users, and(eq(users.id, classMembers.userId), eq(users.role, 'student')))
    .innerJoin(projects, and(eq(projects.briefId, briefs.id), worksOn(db, users.id)))
    .where(inArray(briefs.id, [...briefIds]));
  // One that was begun this very moment has nothing handed in.
  const stateOf = (projectId: string) => standing.get(projectId)?.state ?? 'designing';
  return new Map(
    briefIds.map((id) => {
      const students = working.filter(({ briefId }) => briefId === id);
      return [
        id,
        {
          begun: students.length,
          toReview: all.filter((each) => each.briefId === id && stateOf(each.id) === 'waiting').length,
          approved: students.filter(({ projectId }) => APPROVED.includes(stateOf(projectId))).length,
        },
      ];
    }),
  );
}
