import { and, eq, exists, or, sql, type SQL } from 'drizzle-orm';
import type { AnyPgColumn } from 'drizzle-orm/pg-core';
import type { Database } from '../db/database.ts';
import { projects, teamMembers, users } from '../db/schema/index.ts';

/** Whether a student, by id or as a column of the query, works on a project, alone or in a team. */
export function worksOn(db: Database, studentId: string | AnyPgColumn): SQL {
  const isMember = db
    .select({ one: sql`1` })
    .from(teamMembers)
    .where(and(eq(teamMembers.projectId, projects.id), eq(teamMembers.studentId, studentId)));
  return or(eq(projects.studentId, studentId), exists(isMember))!;
}

/** Whether several work on a project. */
export const isTeamProject = sql<boolean>`exists (
  select 1 from ${teamMembers} as team where team.project_id = ${projects.id}
)`;

/**
 * Whose a project is, in words: "Asha", or "Asha & Luca" for a team. For queries that join a project with the user whose
 * it is.
 */
export const namesOnProject = sql<string>`${users.name} || coalesce((
  select string_agg(' & ' || mate.name, '' order by mate.name)
  from ${teamMembers} as team join ${users} as mate on mate.id = team.student_id
  where team.project_id = ${projects.id}
), '')`;
