import { and, eq, inArray, sql } from 'drizzle-orm';
import type { Database } from '../db/database.ts';
import { plates, queueEntries, runs, spools } from '../db/schema/index.ts';
import { announce } from '../live/topics.ts';
import { tellStudents, tellTeacher } from '../notices.ts';
import { standings } from '../projects.ts';
import { ACTIVE_RUN, closePlaces, currentParts } from './plateParts.ts';
import { announceProjects } from './startPlate.ts';

/** How a run ended. */
export type Ending = { state: 'finished' } | { state: 'cancelled' } | { state: 'failed'; problem: string };

/** Ends a run: what was finished is printed, any other plate is laid as it was and can be started again. */
export async function endRun(db: Database, runId: string, ending: Ending): Promise<void> {
  await db.transaction(async (tx) => {
    const [ended] = await tx
      .update(runs)
      .set({
        state: ending.state,
        endedAt: new Date(),
        ...(ending.state === 'finished' ? { progress: 1 } : {}),
        ...(ending.state === 'failed' ? { problem: ending.problem } : {}),
      })
      .where(and(eq(runs.id, runId), inArray(runs.state, ACTIVE_RUN)))
      .returning();
    if (!ended) return;
    const parts = await currentParts(tx, ended.plateId);
    const entryIds = parts.map(({ entryId }) => entryId);
    const isPrinted = ending.state === 'finished';
    if (entryIds.length > 0) {
      await tx
        .update(queueEntries)
        .set({ state: isPrinted ? 'printed' : 'laid' })
        .where(inArray(queueEntries.id, entryIds));
    }
    await useFilament(
      tx,
      ended,
      parts.reduce((sum, { estimate }) => sum + estimate.grams, 0),
    );
    if (isPrinted) await closePlaces(tx, ended.plateId);
    await announceProjects(tx, parts);
    if (ending.state === 'failed') {
      for (const briefId of new Set(parts.map(({ briefId }) => briefId))) {
        await tellTeacher(tx, briefId, 'run_failed');
      }
    }
    const projectIds = [...new Set(parts.map(({ projectId }) => projectId))];
    const stands = await standings(tx, projectIds);
    for (const projectId of projectIds) {
      if (stands.get(projectId)?.state === 'printed') await tellStudents(tx, projectId, 'printed');
    }
    await announce(tx, 'printroom');
  });
}

/** Takes what a run has printed off its spool; of one that ended early as much as it had come far. */
async function useFilament(tx: Database, run: typeof runs.$inferSelect, gramsOfParts: number): Promise<void> {
  if (!run.spoolId) return;
  const [{ estimate }] = await tx
    .select({ estimate: plates.estimate })
    .from(plates)
    .where(eq(plates.id, run.plateId));
  const grams = (estimate?.grams ?? gramsOfParts) * run.progress;
  await tx
    .update(spools)
    .set({ gramsLeft: sql`greatest(0, ${spools.gramsLeft} - ${grams}::real)` })
    .where(eq(spools.id, run.spoolId));
}
