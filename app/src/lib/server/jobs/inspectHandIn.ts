import { and, eq, lt, sql } from 'drizzle-orm';
import type { Inspection } from '@kelbrin/core/inspect';
import type { Argument } from '../../shared/saidWithHandIn.ts';
import { compute } from '../compute/pool.ts';
import type { Database } from '../db/database.ts';
import { briefs, handIns, projects, solids } from '../db/schema/index.ts';
import { announce } from '../live/topics.ts';
import { tellStudents, tellTeacher } from '../notices.ts';
import { filesFor } from '../projectFiles.ts';
import { sha256 } from '../sha256.ts';

/**
 * Builds and inspects a hand-in on the server and stores solid, hashes and inspection together. This inspection is the
 * one that counts. A hand-in that was dealt with already is left alone, so that a job may be carried out twice.
 */
export async function inspectHandIn(db: Database, handInId: string): Promise<void> {
  const [found] = await db
    .select({
      handIn: handIns,
      projectId: projects.id,
      briefId: briefs.id,
      title: briefs.title,
      classId: briefs.classId,
    })
    .from(handIns)
    .innerJoin(projects, eq(projects.id, handIns.projectId))
    .innerJoin(briefs, eq(briefs.id, projects.briefId))
    .where(and(eq(handIns.id, handInId), eq(handIns.state, 'checking')));
  if (!found) return;
  const { handIn, projectId, briefId, title, classId } = found;

  const { recipe, limits, rules } = handIn;
  const files = await filesFor(db, projectId, recipe);
  // The frozen file carries no name of a student: it stays when somebody is deleted from a team.
  const task = { kind: 'inspect', recipe, files, limits, brief: rules, title } as const;
  const result = await compute().run<'inspect'>(task);
  await db.transaction(async (tx) => {
    const isStill = and(eq(handIns.id, handIn.id), eq(handIns.state, 'checking'));
    const problem = result.ok ? notArgued(result.inspection, handIn.arguments) : result.problem;
    if (result.ok && problem === undefined) {
      const { threeMf, stl, estimate, footprint, inspection } = result;
      const hash = sha256(threeMf);
      await tx
        .insert(solids)
        .values({ hash, threeMf, stl, stlHash: sha256(stl), estimate, footprint })
        .onConflictDoNothing();
      const taken = await tx
        .update(handIns)
        .set({ state: 'waiting', inspection, solidHash: hash })
        .where(isStill)
        .returning({ id: handIns.id });
      // One that is inspected anew, by another card, was told of before.
      if (taken.length > 0 && handIn.inspection === null) await tellTeacher(tx, briefId, 'handed_in');
    } else {
      const refused = await tx
        .update(handIns)
        .set({ state: 'refused', problem })
        .where(isStill)
        .returning({ id: handIns.id });
      if (refused.length > 0) await tellStudents(tx, projectId, 'refused');
    }
    await announce(tx, `project:${projectId}`, `class:${classId}`);
  });
}

/** What to say of a check that fails and that the student did not argue for; undefined when there is none. */
function notArgued({ checks }: Inspection, args: readonly Argument[]): string | undefined {
  const check = checks.find(
    ({ id, verdict }) => verdict === 'fail' && !args.some((each) => each.check === id),
  );
  return check && `“${check.title}” fails: mend that, or say why it has to be so when you hand in again.`;
}

/** Hand-ins that have waited for their inspection so long that the job for it must have been lost. */
export async function forgottenHandIns(db: Database): Promise<string[]> {
  const forgotten = await db
    .select({ id: handIns.id })
    .from(handIns)
    .where(and(eq(handIns.state, 'checking'), lt(handIns.createdAt, sql`now() - interval '10 seconds'`)));
  return forgotten.map(({ id }) => id);
}
