import { eq, inArray } from 'drizzle-orm';
import type { Database } from '../../platform/db/database.ts';
import { queueEntries, runs } from '../../platform/db/schema/index.ts';
import { useFilament } from './useFilament.ts';
import { tellStudents } from '../../platform/notices.ts';
import { standings } from '../../projects/projects.ts';
import { closePlaces, currentParts } from '../batches/batchParts.ts';
import { moveBatch } from '../batches/lifecycle.ts';
import { takeFileOut } from '../batches/takeFileOut.ts';
import { moveEntries } from '../queue/lifecycle.ts';
import { moveRuns } from './lifecycle.ts';

const MOVES = { finished: 'finish', failed: 'fail', cancelled: 'cancel' } as const;

/** How a run ended. */
export type Ending = { state: 'finished' } | { state: 'cancelled' } | { state: 'failed'; problem: string };

/** Ends a run: what was finished is printed, any other batch is laid as it was and can be started again. */
export async function endRun(db: Database, runId: string, ending: Ending): Promise<void> {
  await db.transaction(async (tx) => {
    const isPrinted = ending.state === 'finished';
    const [ended] = await moveRuns(tx, MOVES[ending.state], 'keeper', eq(runs.id, runId), {
      endedAt: new Date(),
      ...(isPrinted ? { progress: 1 } : {}),
      problem: ending.state === 'failed' ? ending.problem : null,
    });
    if (!ended) return;
    const parts = await currentParts(tx, ended.batchId);
    const entryIds = parts.map(({ entryId }) => entryId);
    const move = isPrinted ? 'finish' : 'stopShort';
    await moveBatch(tx, move, 'keeper', ended.batchId);
    await moveEntries(tx, move, 'keeper', inArray(queueEntries.id, entryIds));
    await useFilament(tx, ended);
    if (isPrinted) await closePlaces(tx, ended.batchId);
    else {
      // What went back to its student meanwhile is not tried again.
      for (const { fileId } of parts.filter(({ isApproved }) => !isApproved))
        await takeFileOut(tx, 'keeper', fileId);
    }
    const projectIds = [...new Set(parts.map(({ projectId }) => projectId))];
    const stands = await standings(tx, projectIds);
    for (const projectId of projectIds) {
      if (stands.get(projectId)?.state === 'printed') await tellStudents(tx, projectId, 'printed');
    }
  });
}
