import { and, eq } from 'drizzle-orm';
import { printers, runs } from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { log } from '../../platform/basics/log.ts';
import type { Run, RunKeeping } from './runKeeping.ts';

/** How often it is looked whether a run is still wanted while its file is sent. */
const LOOK_MS = 1_000;

/**
 * Sends the file of a run, and says meanwhile how much of it the printer has: over a slow line that may take an hour. Ends
 * as soon as the run is given up or its keeper has to stop, and returns whether the printer has all of it.
 */
export async function sendFile(
  run: Run,
  gcode: string,
  { db, driver, write, preparing, stopping }: RunKeeping,
): Promise<boolean> {
  const unwanted = new AbortController();
  const signal = AbortSignal.any([unwanted.signal, stopping]);
  let share = 0;
  let said = 0;
  const isIt = and(eq(runs.id, run.id), eq(runs.state, 'sending'));
  const look = async () => {
    const [now] = await db.select({ cancelAskedAt: runs.cancelAskedAt }).from(runs).where(isIt);
    if (!now || now.cancelAskedAt) unwanted.abort();
    const prepared = Math.floor(100 * share) / 100;
    if (signal.aborted || prepared === said) return;
    said = prepared;
    await write(async (tx) => {
      await tx.update(runs).set({ prepared }).where(isIt);
      await tx.update(printers).set({ seenAt: new Date() }).where(eq(printers.id, run.printerId));
      await announce(tx, 'printers');
    });
  };
  let looking: Promise<void> | undefined;
  const timer = setInterval(() => {
    looking ??= look()
      .catch((err: unknown) => log.error({ err, run: run.id }, 'Looking after a file that is sent'))
      .finally(() => (looking = undefined));
  }, LOOK_MS);
  try {
    await driver.upload(run.fileName, gcode, {
      onProgress: (done) => preparing.noteSent((share = done)),
      signal,
    });
    return true;
  } catch (error) {
    if (signal.aborted) return false;
    throw error;
  } finally {
    clearInterval(timer);
    await looking;
  }
}
