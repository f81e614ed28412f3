import { and, asc, eq, isNull } from 'drizzle-orm';
import { afterAll, beforeAll, beforeEach, expect, it } from 'vitest';
import { exampleSheets } from '@kelbrin/core/machine';
import { placesOf } from '../../../shared/rolls.ts';
import { startChecks } from '../../../shared/startChecks.ts';
import { school } from '../../demo/school.ts';
import type { Person } from '../../platform/auth/access.ts';
import {
  batches,
  machineSheets,
  printers,
  printFiles,
  queueEntries,
  runs,
  spools,
} from '../../platform/db/schema/index.ts';
import { clearPlace, putOn, rollAt } from '../../printers/loaded.ts';
import { loadSpool, spoolsOf } from '../../printers/spools.ts';
import { demoSchool, type TestDatabase } from '../../testing/database.ts';
import { gcodeOfBatch } from '../batches/gcode.ts';
import { layBatch } from '../batches/laying.ts';
import { discardBatch } from '../batches/changeBatch.ts';
import { printersNow } from '../printRoom.ts';
import { endRun } from './endRun.ts';
import { startBatch } from './startBatch.ts';

type Spool = typeof spools.$inferSelect;

let test: TestDatabase;
let helper: Person;
let birchId: string;
let green: Spool;
let white: Spool;
let batchId: string;

beforeAll(async () => {
  test = await demoSchool();
  helper = await test.person(school.helper.name);
  const duo = exampleSheets.find(({ filaments }) => filaments === 2)!;
  const [{ id: sheetId }] = await test.db
    .insert(machineSheets)
    .values({ name: duo.name, sheet: duo })
    .returning({ id: machineSheets.id });
  [{ id: birchId }] = await test.db
    .update(printers)
    .set({ sheetId, status: { online: true, nozzleC: 20, nozzleTargetC: 0, bedC: 20, bedTargetC: 0 } })
    .where(eq(printers.name, 'Birch'))
    .returning({ id: printers.id });
  const roll = async (colour: string, colourName: string) => {
    const values = { material: 'PLA', colour, colourName, gramsLeft: 500 };
    return (await test.db.insert(spools).values(values).returning())[0];
  };
  green = await roll('#2e7d4f', 'leaf green');
  white = await roll('#f4f4f0', 'chalk white');
  const colours = [
    { fromMm: 0, colour: 'chalkWhite' as const },
    { fromMm: 1.4, colour: 'leafGreen' as const },
  ];
  await test.db.update(printFiles).set({ colours });
});
afterAll(() => test.drop());

beforeEach(async () => {
  await putOn(test.db, green.id, birchId, 0);
  await putOn(test.db, white.id, birchId, 1);
  const [{ id }] = await test.db
    .select({ id: queueEntries.id })
    .from(queueEntries)
    .where(eq(queueEntries.state, 'waiting'))
    .orderBy(asc(queueEntries.position))
    .limit(1);
  ({ batchId } = await layBatch(test.db, helper, [id]));
});

const left = async ({ id }: Spool) =>
  (await test.db.select().from(spools).where(eq(spools.id, id)))[0].gramsLeft;
const runNow = async () =>
  (
    await test.db
      .select()
      .from(runs)
      .where(and(eq(runs.batchId, batchId), isNull(runs.endedAt)))
  )[0];
const changes = (gcode: string) => gcode.match(/^(T\d|M600)/gm);

it('has a place for each, and no more', async () => {
  const [birch] = (await printersNow(test.db, helper)).filter(({ id }) => id === birchId);
  expect(birch.places.map((roll) => roll?.id)).toEqual([green.id, white.id]);
  // A roll that is put somewhere else is no longer where it was, and what was there lies on the shelf.
  await loadSpool(test.db, helper, green.id, birchId, 1);
  expect(await rollAt(test.db, birchId, 0)).toBeUndefined();
  expect((await rollAt(test.db, birchId, 1))?.id).toBe(green.id);
  const listed = (await spoolsOf(test.db, helper)).find(({ spool }) => spool.id === white.id)!;
  expect(listed.printer).toBeNull();
  await expect(loadSpool(test.db, helper, white.id, birchId, 2)).rejects.toThrow(
    'Birch has 2 places for spools.',
  );
  for (const none of [-1, 0.5, NaN])
    await expect(loadSpool(test.db, helper, white.id, birchId, none)).rejects.toThrow('2 places');
  const [alder] = await test.db.select().from(printers).where(eq(printers.name, 'Alder'));
  await expect(loadSpool(test.db, helper, white.id, alder.id, 1)).rejects.toThrow('Alder has one place');
  await discardBatch(test.db, helper, batchId);
});

it('are changed by the printer, and each is counted down by its colour', async () => {
  await startBatch(test.db, helper, batchId, birchId, startChecks);
  const run = await runNow();
  // White lies below, and it is at the second place.
  expect(run.rolls).toEqual([
    { place: 1, spoolId: white.id },
    { place: 0, spoolId: green.id },
  ]);
  const { gcode, estimate } = await gcodeOfBatch(test.db, batchId, birchId, { places: placesOf(run.rolls) });
  expect(changes(gcode)).toEqual(['T1', 'T0']);
  const [whiteG, greenG] = estimate.colourGrams;
  const before = [await left(white), await left(green)];
  await test.db
    .update(runs)
    .set({ progress: (whiteG + greenG / 2) / estimate.grams })
    .where(eq(runs.id, run.id));
  await endRun(test.db, run.id, { state: 'cancelled' });
  expect(before[0] - (await left(white))).toBeCloseTo(whiteG, 2);
  expect(before[1] - (await left(green))).toBeCloseTo(greenG / 2, 2);
  await discardBatch(test.db, helper, batchId);
});

it('may be chosen by hand; where two colours come from one place a person changes it', async () => {
  await startBatch(test.db, helper, batchId, birchId, startChecks, ['0', '0']);
  const { id, rolls } = await runNow();
  expect(placesOf(rolls)).toEqual([0, 0]);
  expect(changes((await gcodeOfBatch(test.db, batchId, birchId, { places: placesOf(rolls) })).gcode)).toEqual(
    ['T0', 'M600'],
  );
  await endRun(test.db, id, { state: 'cancelled' });
  await discardBatch(test.db, helper, batchId);
});

it('are asked for before a print begins', async () => {
  const start = (places?: unknown) => startBatch(test.db, helper, batchId, birchId, startChecks, places);
  await expect(start(['1'])).rejects.toThrow('for each colour which spool on Birch');
  await expect(start(['1', '2'])).rejects.toThrow('does not know which spool is on Birch');
  await clearPlace(test.db, birchId, 0);
  await expect(start(['1', '0'])).rejects.toThrow('does not know which spool is on Birch');
  await putOn(test.db, green.id, birchId, 0);
  await test.db.update(spools).set({ material: 'PETG' }).where(eq(spools.id, green.id));
  await expect(start(['1', '0'])).rejects.toThrow('there is PETG on Birch');
  await test.db.update(spools).set({ material: 'PLA', gramsLeft: 0.01 }).where(eq(spools.id, green.id));
  await gcodeOfBatch(test.db, batchId, birchId);
  await expect(start(['1', '0'])).rejects.toThrow(`spool ${green.number} on Birch has 0.0 g left`);
  expect((await test.db.select().from(batches).where(eq(batches.id, batchId)))[0].state).toBe('laid');
});
