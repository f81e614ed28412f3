import { and, eq, inArray } from 'drizzle-orm';
import type { Database } from '../../platform/db/database.ts';
import { ACTIVE_RUN, queueEntries, runs } from '../../platform/db/schema/index.ts';
import { useFilament } from './useFilament.ts';
import { announce } from '../../platform/live/topics.ts';
import { tellStudents, tellTeacher } from '../../platform/notices.ts';
import { standings } from '../../projects/projects.ts';
import { closePlaces, currentParts } from '../plates/plateParts.ts';
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
    await useFilament(tx, ended);
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
