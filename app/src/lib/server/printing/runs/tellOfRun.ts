import { eq } from 'drizzle-orm';
import type { Database } from '../../platform/db/database.ts';
import { runs } from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { tellTeacher } from '../../platform/notices.ts';
import { currentParts } from '../batches/batchParts.ts';

/**
 * Tells the teachers of all whose parts are in a run, and who started it, that somebody has to look; `noted` is written into
 * the run with it, so that it is told once.
 */
export async function tellOfRun(
  tx: Database,
  { id, batchId, startedBy }: Pick<typeof runs.$inferSelect, 'id' | 'batchId' | 'startedBy'>,
  news: 'run_due' | 'run_waits' | 'run_silent',
  noted?: Partial<Pick<typeof runs.$inferInsert, 'askedAt' | 'silenceToldAt'>>,
): Promise<void> {
  if (noted) {
    const { askedAt, silenceToldAt } = noted;
    await tx.update(runs).set({ askedAt, silenceToldAt }).where(eq(runs.id, id));
  }
  const briefIds = new Set((await currentParts(tx, batchId)).map(({ briefId }) => briefId));
  for (const briefId of briefIds) await tellTeacher(tx, briefId, news, [startedBy]);
  await announce(tx, 'printroom');
}
