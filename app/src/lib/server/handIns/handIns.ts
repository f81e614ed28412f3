import { and, desc, eq, isNull } from 'drizzle-orm';
import { partOf, recipeOf } from '@kelbrin/core/design';
import { sameRecipe } from '@kelbrin/core/recipe';
import type { SaidWithHandIn } from '../../shared/saidWithHandIn.ts';
import { ownProject, type Person } from '../platform/auth/access.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { handIns, projects } from '../platform/db/schema/index.ts';
import { moveHandIns, newHandIn } from './lifecycle.ts';
import { limitsOf } from '../projects/projects.ts';
import { addVersion } from '../projects/versions.ts';

/**
 * Freezes a student's saved project as a version, and the part of it that is to be handed in as a hand-in that the server
 * will inspect; returns the hand-in's id. `said` is the student's note, and why something that fails has to be so.
 * The design comes from the database and not from the request, and so does every later step: nothing that a browser
 * says about a solid or its inspection is taken. What was handed in before and was not looked at yet is taken back by it.
 */
export async function handIn(
  db: Database,
  person: Person,
  projectId: string,
  revision: number,
  said: SaidWithHandIn = { note: '', arguments: [] },
): Promise<string> {
  const { project, brief, limitsCardId } = await ownProject(db, person, projectId);
  if (project.revision !== revision) {
    throw new CannotNow('The project was changed in another tab: look at it again, then hand in.');
  }
  const recipe = recipeOf(project.design);
  const partId = project.design.chosen;
  const { name: part } = partOf(project.design, partId);
  if (recipe.steps.length === 0) throw new CannotNow('There is nothing to hand in yet: add a step first.');
  const limits = await limitsOf(db, limitsCardId);
  return db.transaction(async (tx) => {
    // One hand-in at a time a project: its row is locked until this one is in.
    await tx
      .select({ id: projects.id })
      .from(projects)
      .where(eq(projects.id, project.id))
      .for('no key update');
    const [last] = await tx
      .select({
        number: handIns.number,
        state: handIns.state,
        partId: handIns.partId,
        recipe: handIns.recipe,
      })
      .from(handIns)
      .where(eq(handIns.projectId, project.id))
      .orderBy(desc(handIns.number))
      .limit(1)
      // Whoever decides on it at this moment does so first.
      .for('no key update');
    const isSame = last?.partId === partId && sameRecipe(last.recipe, recipe);
    if (last?.state === 'checking' || last?.state === 'waiting') {
      if (isSame) {
        throw new CannotNow(
          'This is handed in already; your teacher has not looked at it yet. Take it back if you want to change it.',
        );
      }
      // The new state takes the place of the one that nobody has looked at.
      if (!(await takenBack(tx, person, project.id))) {
        throw new CannotNow(
          'Your teacher is looking at what you handed in: hand in again when it comes back.',
        );
      }
    }
    if (last?.state === 'approved' && isSame) {
      throw new CannotNow('This is what was approved already: change something first.');
    }
    const number = (last?.number ?? 0) + 1;
    const version = await addVersion(tx, project, `Hand-in ${number}`);
    return newHandIn(tx, person, {
      projectId: project.id,
      number,
      versionId: version.id,
      partId,
      part,
      recipe,
      limits,
      rules: brief.rules,
      supportMarks: await marksBefore(tx, project.id, partId),
      ...said,
    });
  });
}

/** Takes a student's hand-in back, which can be done until the teacher has looked at it. */
export async function withdraw(db: Database, person: Person, projectId: string): Promise<void> {
  const { project } = await ownProject(db, person, projectId);
  await db.transaction(async (tx) => {
    if (!(await takenBack(tx, person, project.id))) {
      throw new CannotNow(
        'Your teacher is looking at it already, so it cannot be taken back: ask your teacher to send it back.',
      );
    }
  });
}

/** Takes back what waits of a project, unless the teacher has looked at it; whether there was something to take back. */
async function takenBack(tx: Database, person: Person, projectId: string): Promise<boolean> {
  const unseen = and(eq(handIns.projectId, projectId), isNull(handIns.seenAt));
  return (await moveHandIns(tx, 'withdraw', person, unseen)).length > 0;
}

/** What the teacher marked on a part when it was handed in before: it stays marked, as far as the part still has those faces. */
async function marksBefore(tx: Database, projectId: string, partId: string) {
  const [before] = await tx
    .select({ supportMarks: handIns.supportMarks })
    .from(handIns)
    .where(and(eq(handIns.projectId, projectId), eq(handIns.partId, partId)))
    .orderBy(desc(handIns.number))
    .limit(1);
  return before?.supportMarks ?? [];
}
