import { asc, eq } from 'drizzle-orm';
import { afterAll, afterEach, beforeAll, beforeEach, expect, it, vi } from 'vitest';
import { onNetwork } from '../../testing/printRoom.ts';
import { exampleSheets } from '@kelbrin/core/machine';
import { modelOf, startPrinter, type RunningPrinter } from '@kelbrin/printer';
import { NotAllowed, type Person } from '../../platform/auth/access.ts';
import { compute } from '../../platform/compute/compute.ts';
import {
  filamentChanges,
  machineSheets,
  printers,
  queueEntries,
  runs,
  spools,
} from '../../platform/db/schema/index.ts';
import { school } from '../../demo/school.ts';
import { endRun } from '../runs/endRun.ts';
import { startPart, wishForRun } from '../runs/startBatch.ts';
import { PrinterKeeper } from '../keeping/keeper.ts';
import { demoSchool, type TestDatabase } from '../../testing/database.ts';
import { beginChange, endChange, giveChangeUp, turnInChange } from './change.ts';
import { clearPlace, putOn, rollAt } from '../../printers/loaded.ts';
import { loadSpool } from '../../printers/spools.ts';
import { startChecks } from '../../../shared/startChecks.ts';

type Spool = typeof spools.$inferSelect;

let test: TestDatabase;
let helper: Person;
let device: RunningPrinter;
let keeper: PrinterKeeper;
let printerId: string;
/** The roll that is on the printer, and one from the shelf. */
let old: Spool;
let other: Spool;

beforeAll(async () => {
  test = await demoSchool();
  helper = await test.person(school.helper.name);
  const [birch] = await test.db.select().from(printers).where(eq(printers.name, 'Birch'));
  printerId = birch.id;
  old = (await rollAt(test.db, birch.id, 0))!;
  const all = await test.db.select().from(spools).orderBy(asc(spools.number));
  other = all.find(({ printerId: on, material }) => on === null && material === old.material)!;
});
afterAll(async () => {
  await compute().close();
  await test.drop();
});
beforeEach(async () => {
  device = await startPrinter({ name: 'Birch', port: 0, speed: 600 });
  await test.db
    .update(printers)
    .set({ connection: onNetwork(device.port), status: null })
    .where(eq(printers.id, printerId));
  await putOn(test.db, old.id, printerId, 0);
  keeper = new PrinterKeeper(test.db, printerId);
  await eventually(async () => expect((await printer()).status?.online).toBe(true));
});
afterEach(async () => {
  await keeper.stop();
  await device.close();
  await test.db.delete(filamentChanges);
});

const eventually = (check: () => Promise<void>) => vi.waitFor(check, { timeout: 90_000, interval: 50 });
const spool = async (id: string) => (await test.db.select().from(spools).where(eq(spools.id, id)))[0];
const printer = async () => (await test.db.select().from(printers).where(eq(printers.id, printerId)))[0];
/** The roll that is on it. */
const onPrinter = async () => (await rollAt(test.db, printerId, 0))?.id;
const change = async () =>
  (await test.db.select().from(filamentChanges).where(eq(filamentChanges.printerId, printerId))).at(0);

/** Waits until the printer has done its part. */
async function reaches(step: string | undefined): Promise<void> {
  await eventually(async () => {
    keeper.nudge();
    expect((await change())?.step).toBe(step);
  });
}

const turn = (name: string) => turnInChange(test.db, helper, printerId, name);

it('goes from the old roll to the new one, a step after the other, and counts what is pushed through', async () => {
  const before = (await spool(other.id)).gramsLeft;
  await beginChange(test.db, helper, printerId, other.id);
  await expect(turn('drawOut')).rejects.toThrow('at another step');
  await reaches('hot');
  expect(device.machine.nozzle.c).toBeGreaterThan(200);
  await turn('drawOut');
  await reaches('empty');
  expect(await onPrinter()).toBeUndefined();
  await turn('pushIn');
  await reaches('loaded');
  expect(await onPrinter()).toBe(other.id);
  const once = (await spool(other.id)).gramsLeft;
  expect(before - once).toBeGreaterThan(0.1);
  await turn('more');
  await reaches('loaded');
  expect((await spool(other.id)).gramsLeft).toBeLessThan(once);
  await endChange(test.db, helper, printerId);
  await reaches(undefined);
  expect(device.machine.nozzle.targetC).toBe(0);
});

it('keeps the printer and the rolls to itself until it is over', async () => {
  const [entry] = await test.db.select().from(queueEntries).where(eq(queueEntries.state, 'waiting'));
  await beginChange(test.db, helper, printerId, other.id);
  const isChanged = 'The filament of Birch is being changed';
  await expect(startPart(test.db, helper, entry.id, printerId, startChecks)).rejects.toThrow(isChanged);
  await expect(beginChange(test.db, helper, printerId, other.id)).rejects.toThrow(isChanged);
  await expect(loadSpool(test.db, helper, other.id, printerId)).rejects.toThrow(isChanged);
  await reaches('hot');
  await giveChangeUp(test.db, helper, printerId);
  await reaches(undefined);
  expect(device.machine.nozzle.targetC).toBe(0);
  expect(await onPrinter()).toBe(old.id);
});

it('is made at one of several places: its filament is in the nozzle for it, and the other roll stays where it is', async () => {
  await keeper.stop();
  await device.close();
  const duo = exampleSheets.find(({ filaments }) => filaments === 2)!;
  const model = modelOf(JSON.parse(JSON.stringify(duo)));
  device = await startPrinter({ name: 'Birch', port: 0, speed: 600, model });
  const [{ id: sheetId }] = await test.db
    .insert(machineSheets)
    .values({ name: duo.name, sheet: duo })
    .returning({ id: machineSheets.id });
  const connection = onNetwork(device.port);
  await test.db.update(printers).set({ connection, sheetId, status: null }).where(eq(printers.id, printerId));
  keeper = new PrinterKeeper(test.db, printerId);
  await eventually(async () => expect((await printer()).status?.online).toBe(true));
  await expect(beginChange(test.db, helper, printerId, old.id, 1)).rejects.toThrow('is on Birch');
  await expect(beginChange(test.db, helper, printerId, other.id, 2)).rejects.toThrow('2 places');
  await beginChange(test.db, helper, printerId, other.id, 1);
  await reaches('hot');
  await turn('nothingIn');
  await reaches('empty');
  await turn('pushIn');
  await reaches('loaded');
  expect(device.machine.filament).toBe(1);
  expect((await rollAt(test.db, printerId, 1))?.id).toBe(other.id);
  expect(await onPrinter()).toBe(old.id);
  await endChange(test.db, helper, printerId);
  await reaches(undefined);
  await clearPlace(test.db, printerId, 1);
  await test.db.update(printers).set({ sheetId: null }).where(eq(printers.id, printerId));
});

it('leaves no nozzle hot that nobody comes back to', async () => {
  await beginChange(test.db, helper, printerId, other.id);
  await reaches('hot');
  const longAgo = new Date(Date.now() - 11 * 60_000);
  await test.db.update(filamentChanges).set({ steppedAt: longAgo });
  await reaches(undefined);
  expect(device.machine.nozzle.targetC).toBe(0);
});

it('is refused while the printer prints, for a roll that is elsewhere, and to students', async () => {
  const elsewhere = (await test.db.select().from(printers)).find(({ id }) => id !== printerId)!;
  await expect(
    beginChange(test.db, helper, printerId, (await rollAt(test.db, elsewhere.id, 0))!.id),
  ).rejects.toThrow(`is on ${elsewhere.name}`);
  const student = await test.person('Asha');
  await expect(beginChange(test.db, student, printerId, other.id)).rejects.toThrow(NotAllowed);
  await expect(turn('explode')).rejects.toThrow(NotAllowed);
});

it('puts right a run whose filament ran out: the old roll is empty, the rest is counted on the new one', async () => {
  const [entry] = await test.db.select().from(queueEntries).where(eq(queueEntries.state, 'waiting'));
  await startPart(test.db, helper, entry.id, printerId, startChecks);
  const run = async () => (await test.db.select().from(runs).where(eq(runs.printerId, printerId))).at(-1)!;
  await eventually(async () => expect((await run()).progress).toBeGreaterThan(0.1));
  await expect(beginChange(test.db, helper, printerId, other.id)).rejects.toThrow('is printing');
  device.fault('runout');
  await eventually(async () => expect((await run()).pausedFor).toBe('runout'));
  await beginChange(test.db, helper, printerId, other.id);
  await expect(wishForRun(test.db, helper, (await run()).id, 'resume')).rejects.toThrow('being changed');
  await reaches('hot');
  await turn('drawOut');
  await reaches('empty');
  expect((await spool(old.id)).gramsLeft).toBe(0);
  await turn('pushIn');
  await reaches('loaded');
  await endChange(test.db, helper, printerId);
  await reaches(undefined);
  // The run goes on, so the nozzle stays hot.
  expect(device.machine.nozzle.targetC).toBe(210);
  const from = (await run()).spoolFrom;
  expect(from).toBeGreaterThan(0);
  const before = (await spool(other.id)).gramsLeft;
  await wishForRun(test.db, helper, (await run()).id, 'resume');
  await eventually(async () => expect((await run()).state).toBe('finished'));
  const used = before - (await spool(other.id)).gramsLeft;
  expect(used).toBeGreaterThan(0);
  await endRun(test.db, (await run()).id, { state: 'finished' });
  expect(before - (await spool(other.id)).gramsLeft).toBeCloseTo(used, 3);
});
