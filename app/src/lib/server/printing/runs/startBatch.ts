import { and, eq, inArray, isNull, notInArray } from 'drizzle-orm';
import type { MachineSheet } from '@kelbrin/core/machine';
import { outsideOfSheet } from '@kelbrin/core/plate';
import { cannotPrint, settingsOf, type PrintChoice } from '@kelbrin/core/slice';
import { choiceWithColours, coloursOfBatch } from '../../../shared/batchColours.ts';
import { plateOf } from '../../../shared/plate.ts';
import { startChecks, tickedChecks, type StartCheck } from '../../../shared/startChecks.ts';
import { record } from '../../platform/audit.ts';
import { demandRole, isId, type Person } from '../../platform/auth/access.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import { ACTIVE_RUN, printers, queueEntries, runs } from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { sheetOfPrinter } from '../../printers/machineSheets.ts';
import { demandConnected, demandNoChange, demandOnline, usedPrinter } from '../../printers/usedPrinter.ts';
import { currentParts, openBatch, type BatchPart } from '../batches/batchParts.ts';
import { demandGoodPlaces } from '../batches/goodPlaces.ts';
import { moveBatch } from '../batches/lifecycle.ts';
import { layBatch } from '../batches/laying.ts';
import { moveEntries } from '../queue/lifecycle.ts';
import { fileNameOf } from './fileName.ts';
import { newRun } from './lifecycle.ts';
import { rollsFor } from './rollsFor.ts';

type Printer = typeof printers.$inferSelect;

/** Prints one waiting part by itself, in the middle of a batch of its own. */
export async function startPart(
  db: Database,
  person: Person,
  entryId: string,
  printerId: string,
  ticked: unknown,
  places?: unknown,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  // Whatever would keep the batch from being started is asked first, so that no batch is left behind.
  await db.transaction(async (tx) => {
    const { batchId } = await layBatch(tx, person, [entryId]);
    await startBatch(tx, person, batchId, printerId, ticked, places);
  });
}

/**
 * Starts a batch on an idle printer; the printer's keeper in the job process does the rest.
 * The database's own rules see to it that of two people who press at once, one is told that the other was first.
 * `ticked` is what was looked at before; it is the same from wherever a print is started, and nothing starts without it.
 * `places` are those that the colours come from, from below, on a printer that changes filament by itself.
 */
export async function startBatch(
  db: Database,
  person: Person,
  batchId: string,
  printerId: string,
  ticked: unknown,
  places?: unknown,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  const checks = demandChecks(ticked);
  await db.transaction(async (tx) => {
    const printer = await usedPrinter(tx, printerId);
    demandOnline(printer);
    await demandNoChange(tx, printer);
    const busy = await tx.$count(runs, and(eq(runs.printerId, printer.id), inArray(runs.state, ACTIVE_RUN)));
    if (busy > 0)
      throw new CannotNow('{name} is printing already: plan the batch for it, or choose another printer.', {
        name: printer.name,
      });
    const batch = await openBatch(tx, batchId);
    const parts = await currentParts(tx, batch.id);
    const known = await sheetOfPrinter(tx, printer.id);
    demandGoodPlaces(parts, choiceWithColours(batch.choice, coloursOfBatch(parts)), known?.sheet.head);
    if (known) demandFits(known.sheet, printer, parts, batch.choice);
    const doubted = parts.find(({ doubt }) => doubt);
    if (doubted)
      throw new CannotNow(
        '{doubt} The teacher has to decide on it again first; until then, take it off the batch.',
        {
          doubt: doubted.doubt!,
        },
      );
    const needs = batch.estimate ?? sumOf(parts);
    const from = await rollsFor(tx, printer, parts, batch.choice, needs, places);
    const entryIds = parts.map(({ entryId }) => entryId);
    await moveBatch(tx, 'start', person, batch.id);
    const started = await moveEntries(tx, 'start', person, inArray(queueEntries.id, entryIds));
    if (started.length < entryIds.length)
      throw new CannotNow('Some of these parts are not on this batch any more: load the page again.');
    // Who ticks that the plate is empty says so of all that was printed there before.
    await clearPlate(tx, printer.id);
    await newRun(tx, person, {
      printerId: printer.id,
      batchId: batch.id,
      ...from,
      fileName: fileNameOf(batch.number, printer.name),
      estimateS: needs.seconds,
      startedBy: person.id,
      startChecks: checks,
    });
  });
}

/** Notes that a printer's plate is clear of what was printed on it last. */
export async function notePlateClear(db: Database, person: Person, printerId: string): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await db.transaction(async (tx) => {
    const printer = await usedPrinter(tx, printerId);
    await clearPlate(tx, printer.id);
    await record(tx, person, 'clear-plate', null, [printer.id]);
    await announce(tx, 'printroom');
  });
}

async function clearPlate(tx: Database, printerId: string): Promise<void> {
  await tx
    .update(runs)
    .set({ clearedAt: new Date() })
    .where(
      and(eq(runs.printerId, printerId), isNull(runs.clearedAt), notInArray(runs.state, [...ACTIVE_RUN])),
    );
}

function demandChecks(ticked: unknown): readonly StartCheck[] {
  const parsed = tickedChecks.safeParse(ticked);
  const checks = parsed.success ? parsed.data : [];
  if (checks.length < startChecks.length)
    throw new CannotNow(
      'Look at spool, plate and first layer before a print is started, and tick each of them.',
    );
  return checks;
}

/** Asks for a run to be given up; its batch is laid again once the printer has stopped. */
export async function cancelRun(db: Database, person: Person, runId: string): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  const asked = await db
    .update(runs)
    .set({ cancelAskedAt: new Date() })
    .where(and(isId(runId, runs.id), inArray(runs.state, ACTIVE_RUN)))
    .returning({ id: runs.id });
  if (asked.length === 0) throw new CannotNow('This print is over already: load the page again.');
  await record(db, person, 'cancel-run', null, [runId]);
  await announce(db, 'printroom', 'orders');
}

/** Asks for a run to stand still, or to go on. */
export async function wishForRun(
  db: Database,
  person: Person,
  runId: string,
  wish: 'pause' | 'resume',
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await db.transaction(async (tx) => {
    const [run] = await tx
      .update(runs)
      .set({ wish })
      .where(and(isId(runId, runs.id), eq(runs.state, 'printing')))
      .returning();
    if (!run) throw new CannotNow('This is not printing now: load the page again.');
    const [printer] = await tx.select().from(printers).where(eq(printers.id, run.printerId));
    demandConnected(printer);
    await demandNoChange(tx, printer);
    await announce(tx, 'printroom', 'orders');
  });
}

/** Throws unless a printer of this model reaches all parts and becomes hot enough for them. */
function demandFits(
  sheet: MachineSheet,
  { name }: Printer,
  parts: readonly BatchPart[],
  choice: PrintChoice,
): void {
  const { limits } = parts[0];
  const placed = parts.map(({ entryId, ...part }) => ({ ...part, id: entryId }));
  const [outside] = outsideOfSheet(placed, plateOf(limits, choice), sheet);
  if (outside !== undefined)
    throw new CannotNow(
      'The part of {student} does not fit on the plate of {name}: move it nearer to the middle, or choose another printer.',
      { student: parts.find(({ entryId }) => entryId === outside)!.student, name },
    );
  const refusal = cannotPrint(sheet, settingsOf(limits, choice));
  if (refusal !== undefined) throw new CannotNow(refusal);
}

/** What parts take one by one: near enough until the batch is sliced. */
function sumOf(parts: readonly BatchPart[]): { seconds: number; grams: number } {
  return {
    seconds: parts.reduce((sum, { estimate }) => sum + estimate.seconds, 0),
    grams: parts.reduce((sum, { estimate }) => sum + estimate.grams, 0),
  };
}
