import { and, eq } from 'drizzle-orm';
import { afterAll, beforeAll, beforeEach, expect, it } from 'vitest';
import { exampleSheets, type MachineSheet } from '@kelbrin/core/machine';
import { startChecks } from '../../../shared/startChecks.ts';
import { schoolLog } from '../../platform/audit.ts';
import { NotAllowed, type Person } from '../../platform/auth/access.ts';
import { compute } from '../../platform/compute/compute.ts';
import { machineSheets, printers, queueEntries, runs } from '../../platform/db/schema/index.ts';
import { school } from '../../demo/school.ts';
import { printersWithRuns } from '../printRoom.ts';
import { bringPrinterBack, printersToKeep, retiredPrinters, retirePrinter } from '../../printers/printers.ts';
import { demoSchool, type TestDatabase } from '../../testing/database.ts';
import { endRun, type Ending } from './endRun.ts';
import { discardBatch } from '../batches/changeBatch.ts';
import { openBatches } from '../batches/batches.ts';
import { notePlateClear, startPart } from './startBatch.ts';

let test: TestDatabase;
let teacher: Person;
let helper: Person;
let birch: string;

beforeAll(async () => {
  test = await demoSchool();
  teacher = await test.person(school.teacher.name);
  helper = await test.person(school.helper.name);
  [{ id: birch }] = await test.db.select().from(printers).where(eq(printers.name, 'Birch'));
});
afterAll(async () => {
  await compute().close();
  await test.drop();
});
beforeEach(async () => {
  const status = { online: true, nozzleC: 20, nozzleTargetC: 0, bedC: 20, bedTargetC: 0 };
  await test.db.update(printers).set({ status });
});

const waitingEntry = async () => {
  const waits = eq(queueEntries.state, 'waiting');
  return (await test.db.select().from(queueEntries).where(waits).limit(1))[0].id;
};
const start = async (ticked: unknown) => startPart(test.db, helper, await waitingEntry(), birch, ticked);
const lastRun = async () => {
  const [run] = await test.db
    .select()
    .from(runs)
    .where(and(eq(runs.printerId, birch), eq(runs.state, 'preparing')));
  return run;
};
/** Ends the run that was begun last; its part waits again. */
const giveUp = async (ending: Ending = { state: 'cancelled' }) => {
  const { id, batchId } = await lastRun();
  await endRun(test.db, id, ending);
  await discardBatch(test.db, helper, batchId);
};
const onPlate = async () =>
  (await printersWithRuns(test.db, helper)).find(({ id }) => id === birch)!.onPlate?.id;
/** Starts a part and ends its run in the middle of the print. */
const printedHalf = async () => {
  await start(startChecks);
  const { id } = await lastRun();
  await test.db.update(runs).set({ sentAt: new Date(), progress: 0.5 }).where(eq(runs.id, id));
  await giveUp({ state: 'failed', problem: 'The nozzle is clogged.' });
  return id;
};

it('asks for every look before the start, and notes them with the run and in the log', async () => {
  const batchesBefore = (await openBatches(test.db, helper)).length;
  const before = await test.db.$count(runs);
  for (const ticked of [undefined, null, 'spool', [], startChecks.slice(1), [...startChecks.slice(1), 'sky']])
    await expect(start(ticked)).rejects.toThrow('Look at spool, plate and first layer before');
  expect(await test.db.$count(runs)).toBe(before);
  expect(await openBatches(test.db, helper)).toHaveLength(batchesBefore);

  await start([...startChecks].toReversed());
  const run = await lastRun();
  expect(run.startChecks).toEqual(startChecks);
  const { lines } = await schoolLog(test.db, teacher, { withSignIns: false });
  expect(lines[0]).toMatchObject({ who: helper.name, did: 'started a print' });
  await giveUp();
});

it('starts nothing on a printer that is printing', async () => {
  await start(startChecks);
  await expect(start(startChecks)).rejects.toThrow('Birch is printing already');
  await giveUp();
});

it('starts nothing on a printer of a model that reaches not so far, or becomes not so hot', async () => {
  const [hedge] = exampleSheets;
  const on = async (sheet: MachineSheet) => {
    const [{ id }] = await test.db
      .insert(machineSheets)
      .values({ name: sheet.name, sheet })
      .onConflictDoUpdate({ target: machineSheets.name, set: { sheet } })
      .returning({ id: machineSheets.id });
    await test.db.update(printers).set({ sheetId: id }).where(eq(printers.id, birch));
  };
  await on({ ...hedge, plate: { shape: 'round', diameterMm: 40 } });
  await expect(start(startChecks)).rejects.toThrow('does not fit on the plate of Birch');
  await on({ ...hedge, maxNozzleC: 180 });
  await expect(start(startChecks)).rejects.toThrow(
    'Hedge 220 reaches 180 °C, and this material needs 210 °C.',
  );
  expect(await lastRun()).toBeUndefined();
  await on(hedge);
  await start(startChecks);
  await giveUp();
  await test.db.update(printers).set({ sheetId: null }).where(eq(printers.id, birch));
});

it('has the plate clear of what was printed before when somebody says so, or starts the next', async () => {
  const first = await printedHalf();
  expect(await onPlate()).toBe(first);
  await notePlateClear(test.db, helper, birch);
  expect(await onPlate()).toBeUndefined();

  const second = await printedHalf();
  expect(await onPlate()).toBe(second);
  await start(startChecks);
  expect(await onPlate()).toBeUndefined();
  await giveUp();
  // It never began, so what counts is still the plate that was said to be clear.
  expect(await onPlate()).toBeUndefined();
});

it('uses a printer that was retired again', async () => {
  const names = async (all: typeof printersToKeep | typeof retiredPrinters) =>
    (await all(test.db, teacher)).map(({ name }) => name);
  await retirePrinter(test.db, teacher, birch);
  expect([await names(printersToKeep), await names(retiredPrinters)]).toEqual([['Alder'], ['Birch']]);
  await expect(start(startChecks)).rejects.toThrow(NotAllowed);
  await bringPrinterBack(test.db, teacher, birch);
  expect([await names(printersToKeep), await names(retiredPrinters)]).toEqual([['Alder', 'Birch'], []]);

  const told = async () =>
    (await schoolLog(test.db, teacher, { withSignIns: false })).lines.map(({ did }) => did);
  const once = await told();
  expect(once[0]).toBe('brought a printer back');
  await bringPrinterBack(test.db, teacher, birch);
  await expect(bringPrinterBack(test.db, teacher, 'none')).rejects.toThrow(NotAllowed);
  expect(await told()).toEqual(once);
});
