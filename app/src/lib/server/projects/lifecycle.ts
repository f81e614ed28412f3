import { eq } from 'drizzle-orm';
import type { Database } from '../platform/db/database.ts';
import { projects } from '../platform/db/schema/index.ts';
import { demandMover, lifecycle, type Mover } from '../platform/lifecycle.ts';

/** A project, for as long as somebody works on it; it goes with its brief, or with the last of its students. */
export const projectLife = lifecycle({
  thing: 'project',
  states: { begun: 'A student, or a team, works on it.' },
  moves: {
    begin: {
      from: [],
      to: 'begun',
      by: ['student', 'teacher'],
      when: 'a student opens a brief, or comes into or out of a team for it, and has no project for it',
    },
    joinTeam: {
      from: ['begun'],
      to: 'gone',
      by: ['teacher'],
      when: 'its student joins a team, nothing of it was handed in or kept, and its parts went along',
    },
  },
});

type Project = typeof projects.$inferSelect;

/** Begins a project; undefined where its student has one for the brief already. */
export async function newProject(
  tx: Database,
  mover: Mover,
  values: typeof projects.$inferInsert,
): Promise<Project | undefined> {
  demandMover(projectLife.moves.begin, mover);
  const [begun] = await tx.insert(projects).values(values).onConflictDoNothing().returning();
  return begun;
}

/** Ends a project whose parts went along into a team's. */
export async function endProject(tx: Database, mover: Mover, projectId: string): Promise<void> {
  demandMover(projectLife.moves.joinTeam, mover);
  await tx.delete(projects).where(eq(projects.id, projectId));
}
