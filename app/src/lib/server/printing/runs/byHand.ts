import { and, eq, inArray, isNull, type SQL } from 'drizzle-orm';
import { isByHand } from '../../../shared/connection.ts';
import { failureDraft } from '../../../shared/byHand.ts';
import { placesOf } from '../../../shared/rolls.ts';
import { record } from '../../platform/audit.ts';
import { demandRole, isId, NotAllowed, type Person } from '../../platform/auth/access.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import { ACTIVE_RUN, printers, runs } from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { gcodeOfBatch } from '../batches/gcode.ts';

/*
 * What a person says of a run on a printer that nothing is connected to. It is written down here; the printer's keeper
 * moves the run on by it, as it does by what other printers say.
 */

type Run = typeof runs.$inferSelect;

/** Says that a run was begun at the printer. */
export async function sayBegun(db: Database, person: Person, runId: string): Promise<void> {
  await say(db, person, runId, { begunAt: new Date() }, isNull(runs.begunByHandAt));
}

/** Says that a run is done. */
export async function sayDone(db: Database, person: Person, runId: string): Promise<void> {
  const run = await runByHand(db, person, runId);
  if (!run.begunByHandAt) throw new CannotNow('Say first that this print has begun.');
  await say(db, person, runId, { doneAt: new Date() }, isNull(runs.doneByHandAt));
}

/** Says that a run failed, and why. */
export async function sayFailed(db: Database, person: Person, runId: string, why: unknown): Promise<void> {
  const read = failureDraft.safeParse(why);
  if (!read.success) throw new CannotNow(read.error.issues[0].message);
  await say(db, person, runId, { failed: read.data }, isNull(runs.failedByHand));
}

/** The file of a run, to be carried to its printer. */
export async function fileOfRun(
  db: Database,
  person: Person,
  runId: string,
): Promise<{ readonly fileName: string; readonly gcode: string }> {
  const { id, batchId, printerId, fileName, begunByHandAt, rolls } = await runByHand(db, person, runId);
  const { gcode, estimate } = await gcodeOfBatch(db, batchId, printerId, { places: placesOf(rolls) });
  if (!begunByHandAt) await db.update(runs).set({ estimateS: estimate.seconds }).where(eq(runs.id, id));
  return { fileName, gcode };
}

async function say(
  db: Database,
  person: Person,
  runId: string,
  { begunAt, doneAt, failed }: { begunAt?: Date; doneAt?: Date; failed?: string },
  unless: SQL,
): Promise<void> {
  const { id } = await runByHand(db, person, runId);
  const noted = await db
    .update(runs)
    .set({ begunByHandAt: begunAt, doneByHandAt: doneAt, failedByHand: failed })
    .where(and(eq(runs.id, id), inArray(runs.state, ACTIVE_RUN), unless))
    .returning({ id: runs.id });
  // Of two people who say the same, the second says nothing new.
  if (noted.length === 0) return;
  await record(db, person, 'say-of-run', null, [id]);
  await announce(db, 'printroom', 'orders');
}

/** A run that goes on, on a printer that nothing is connected to. */
async function runByHand(db: Database, person: Person, runId: string): Promise<Run> {
  demandRole(person, 'teacher', 'helper');
  const [found] = await db
    .select({ run: runs, connection: printers.connection, name: printers.name })
    .from(runs)
    .innerJoin(printers, eq(printers.id, runs.printerId))
    .where(isId(runId, runs.id));
  if (!found) throw new NotAllowed();
  if (!isByHand(found.connection))
    throw new CannotNow('{name} says itself how its print goes.', { name: found.name });
  if (!(ACTIVE_RUN as readonly string[]).includes(found.run.state))
    throw new CannotNow('This print is over already: load the page again.');
  return found.run;
}
