import { eq } from 'drizzle-orm';
import type { Database } from '../../platform/db/database.ts';
import { runs, spools, type filamentChanges } from '../../platform/db/schema/index.ts';
import type { DeviceStatus, PrinterDriver } from '../../printers/drivers/driver.ts';
import { needsOf } from '../../printers/materials.ts';
import { clearPlace, putOn, rollAt } from '../../printers/loaded.ts';
import { sheetOfPrinter } from '../../printers/machineSheets.ts';
import { moveChange, overChange, type ChangeMove } from './lifecycle.ts';
import { takeOffSpool, useFilament } from '../runs/useFilament.ts';

/** From the nozzle back to where a hand can take it, in from there, and what is pushed through until a colour is clean. */
const OUT_MM = 80;
const IN_MM = 90;
const PURGE_MM = 40;
const OUT_MM_PER_S = 20;
const IN_MM_PER_S = 4;
/** A nozzle that is so close to its temperature is hot. */
const NEAR_C = 3;
/** How long a hot nozzle waits for somebody. */
const PATIENCE_MS = 10 * 60_000;
const MM3_PER_MM = (Math.PI * 1.75 ** 2) / 4;

/** Carries out writes, all or none, as long as nobody else keeps the printer. */
type Write = <T>(work: (tx: Database) => Promise<T>) => Promise<T>;

type Change = typeof filamentChanges.$inferSelect;
type Run = typeof runs.$inferSelect;

/**
 * Does what a change of filament wants of the printer next, if it is the printer's turn. Filament is noted as out or in
 * once it is; when this is cut off in between it is done again, which draws or pushes a little further and harms nothing.
 */
export async function carryOnChange(
  db: Database,
  write: Write,
  driver: PrinterDriver,
  device: DeviceStatus,
  change: Change,
  run: Run | undefined,
): Promise<void> {
  const move = (name: ChangeMove) =>
    write((tx) => moveChange(tx, name, 'keeper', change.printerId, change.step));
  /** The filament of a run that stands still is in the nozzle, and has to stay there for the run to go on. */
  const placeToFeed = async () => {
    const sheet = run ? undefined : (await sheetOfPrinter(db, change.printerId))?.sheet;
    return sheet && sheet.filaments > 1 ? change.place : undefined;
  };
  switch (change.step) {
    case 'heating':
      if (device.nozzleTargetC < change.nozzleC) await driver.heat(change.nozzleC);
      else if (device.nozzleC >= change.nozzleC - NEAR_C) await move('heated');
      return;
    case 'unloading':
      await driver.feed(-OUT_MM, OUT_MM_PER_S, await placeToFeed());
      await write((tx) => noteOut(tx, change, run));
      await move('drawnOut');
      return;
    case 'loading':
      await driver.feed(IN_MM, IN_MM_PER_S, await placeToFeed());
      await write((tx) => noteIn(tx, change, run));
      await move('pushedIn');
      return;
    case 'purging':
      await driver.feed(PURGE_MM, IN_MM_PER_S, await placeToFeed());
      await write(async (tx) =>
        takeOffSpool(tx, change.spoolId, await gramsOf(tx, change.spoolId, PURGE_MM)),
      );
      await move('purged');
      return;
    case 'cooling': {
      // A run that stands still goes on with the new filament.
      const [{ material }] = await db.select().from(spools).where(eq(spools.id, change.spoolId));
      await driver.heat(run ? (await needsOf(db, material)).nozzleC : 0);
      await write((tx) => overChange(tx, 'keeper', change.printerId));
      return;
    }
    case 'hot':
    case 'empty':
    case 'loaded':
      if (!run && Date.now() - change.steppedAt.getTime() > PATIENCE_MS) await move('leftAlone');
  }
}

/** The roll that was on the printer is not any more; what a run has printed from it is taken off it. */
async function noteOut(tx: Database, { printerId, place }: Change, run: Run | undefined): Promise<void> {
  const off = await rollAt(tx, printerId, place);
  await clearPlace(tx, printerId, place);
  if (!run || !off) return;
  await useFilament(tx, run);
  if (run.pausedFor === 'runout') await tx.update(spools).set({ gramsLeft: 0 }).where(eq(spools.id, off.id));
  await noteRoll(tx, { ...run, spoolFrom: run.progress }, place, null);
}

/** Notes which roll a run prints from at a place. */
async function noteRoll(tx: Database, run: Run, place: number, spoolId: string | null): Promise<void> {
  const { spoolFrom } = run;
  const rolls = run.rolls?.map((roll) => (roll.place === place ? { place, spoolId } : roll));
  await tx
    .update(runs)
    .set({ rolls, spoolId: rolls ? rolls[0].spoolId : spoolId, spoolFrom })
    .where(eq(runs.id, run.id));
}

/** The new roll is on the printer, and a run that stands still goes on from it. */
async function noteIn(
  tx: Database,
  { printerId, place, spoolId }: Change,
  run: Run | undefined,
): Promise<void> {
  const grams = await gramsOf(tx, spoolId, IN_MM);
  await putOn(tx, spoolId, printerId, place);
  if (run) await noteRoll(tx, run, place, spoolId);
  await takeOffSpool(tx, spoolId, grams);
}

async function gramsOf(db: Database, spoolId: string, lengthMm: number): Promise<number> {
  const [{ material }] = await db.select().from(spools).where(eq(spools.id, spoolId));
  return ((lengthMm * MM3_PER_MM) / 1000) * (await needsOf(db, material)).gramsPerCm3;
}
