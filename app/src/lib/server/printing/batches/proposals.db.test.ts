import { eq, sql, type SQL } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it, vi } from 'vitest';
import type { FilamentColour } from '@kelbrin/core/colours';
import { exampleSheets, type MachineSheet } from '@kelbrin/core/machine';
import { outsideOfSheet } from '@kelbrin/core/plate';
import { plateOf } from '../../../shared/plate.ts';
import type { Person } from '../../platform/auth/access.ts';
import { compute } from '../../platform/compute/compute.ts';
import { machineSheets, printers, printFiles, queueEntries, spools } from '../../platform/db/schema/index.ts';
import { holdEntries } from '../queue/queue.ts';
import { wholeQueue } from '../../testing/wholeQueue.ts';
import { schoolDayOf, setSchoolDay } from '../../printers/schoolDay.ts';
import { demoSchool, type TestDatabase } from '../../testing/database.ts';
import { batchToSee } from './batches.ts';
import { discardBatch } from './changeBatch.ts';
import { layBatch } from './laying.ts';
import { proposeBatches } from './proposals.ts';

let test: TestDatabase;
let teacher: Person;
let helper: Person;

beforeAll(async () => {
  test = await demoSchool();
  teacher = await test.person('Ms Fenwick');
  helper = await test.person('Mr Oduya');
  const status = { online: true, nozzleC: 20, nozzleTargetC: 0, bedC: 20, bedTargetC: 0 };
  await test.db.update(printers).set({ status }).where(eq(printers.name, 'Birch'));
  await setSchoolDay(test.db, teacher, '08:40 09:30\n09:30 10:20');
});
afterAll(async () => {
  await compute().close();
  await test.drop();
});

const at = (time: string) => new Date(`2026-11-26T${time}:00`);

it('proposes for each free printer what is done before the next bell', async () => {
  const [proposal, ...others] = await proposeBatches(test.db, helper, at('08:30'));
  expect(others).toEqual([]);
  expect(proposal.printer.name).toBe('Birch');
  expect(proposal.parts.map(({ student }) => student)).toEqual(['Femi', 'Greta', 'Hugo']);
  expect(proposal.until).toEqual(at('09:30'));
  expect(proposal.isOvernight).toBe(false);
  expect(proposal.seconds).toBeLessThan(3600);
  expect(proposal.savesSeconds).toBeGreaterThan(2 * 300);
  const ids = proposal.parts.map(({ id }) => id);
  expect((await layBatch(test.db, helper, ids)).left).toBe(0);
  await test.db.update(queueEntries).set({ state: 'waiting' }).where(eq(queueEntries.state, 'laid'));
  await test.db.execute(
    'delete from batches where id in (select batch_id from batch_parts where is_current) and not exists (select 1 from runs where batch_id = batches.id)',
  );
});

it('lays out on the plate of the printer, and proposes nothing that its model cannot print', async () => {
  const [hedge] = exampleSheets;
  const on = async (sheet: MachineSheet | undefined) => {
    const sheetId =
      sheet && (await test.db.insert(machineSheets).values({ name: sheet.name, sheet }).returning())[0].id;
    await test.db
      .update(printers)
      .set({ sheetId: sheetId ?? null })
      .where(eq(printers.name, 'Birch'));
  };
  const small: MachineSheet = {
    ...hedge,
    name: 'Small',
    plate: { shape: 'rectangle', widthMm: 110, depthMm: 90 },
  };
  await on(small);
  const [proposal] = await proposeBatches(test.db, helper, at('08:30'));
  const ids = proposal.parts.map(({ id }) => id);
  const { batchId, left } = await layBatch(test.db, helper, ids, { plannedFor: proposal.printer.id });
  expect(left).toBe(0);
  const { parts } = await batchToSee(test.db, helper, batchId);
  const laid = parts.map((part) => ({ ...part, id: part.entryId }));
  expect(parts.length).toBe(ids.length);
  expect(outsideOfSheet(laid, plateOf(parts[0].limits), small)).toEqual([]);
  await discardBatch(test.db, helper, batchId);

  await on({ ...hedge, name: 'Cool', maxNozzleC: 190 });
  expect(await proposeBatches(test.db, helper, at('08:30'))).toEqual([]);
  await on(undefined);
});

it('lays out nothing anew while the queue is only looked at', async () => {
  const [before] = await proposeBatches(test.db, helper, at('08:30'));
  const run = vi.spyOn(compute(), 'run');
  expect(await proposeBatches(test.db, helper, at('08:30'))).toEqual([before]);
  expect(run).not.toHaveBeenCalled();
  run.mockRestore();
});

it('takes less when the bell is near, and runs overnight when nothing would be done by then', async () => {
  const [soon] = await proposeBatches(test.db, helper, at('10:00'));
  expect(soon).toMatchObject({ isOvernight: false, until: at('10:20') });
  expect(soon.parts).toHaveLength(1);
  const [night] = await proposeBatches(test.db, helper, at('10:15'));
  expect(night).toMatchObject({ isOvernight: true, until: new Date('2026-11-27T08:40:00') });
  expect(night.parts).toHaveLength(3);
});

it('proposes in the colour that is loaded, and in another only when the school has no roll of it', async () => {
  const ofFirst = eq(
    printFiles.id,
    sql`(select print_file_id from queue_entries where id = ${(await proposed())[0]})`,
  );
  const paint = async (where: SQL | undefined, colour: FilamentColour | undefined) => {
    const colours = colour ? [{ fromMm: 0, colour }] : [];
    await test.db.update(printFiles).set({ colours }).where(where);
  };
  const [first, ...others] = await proposed();
  await paint(ofFirst, 'plum');
  expect(await proposed()).toEqual(others);
  // The school has no plum: in another colour is better than not at all.
  await paint(undefined, 'plum');
  expect(await proposed()).toEqual([first, ...others]);
  // Leaf green is on another printer, and waits for it.
  await paint(undefined, 'leafGreen');
  expect(await proposeBatches(test.db, helper, at('08:30'))).toEqual([]);
  await paint(undefined, undefined);

  async function proposed(): Promise<string[]> {
    const [proposal] = await proposeBatches(test.db, helper, at('08:30'));
    return proposal.parts.map(({ id }) => id);
  }
});

it('keeps to the material and the filament of the printer, and leaves out what is held back', async () => {
  const [birch] = await test.db.select().from(printers).where(eq(printers.name, 'Birch'));
  const spool = eq(spools.printerId, birch.id);
  const [{ gramsLeft }] = await test.db.select().from(spools).where(spool);
  await test.db.update(spools).set({ gramsLeft: 4 }).where(spool);
  expect((await proposeBatches(test.db, helper, at('08:30')))[0].parts).toHaveLength(1);
  await test.db.update(spools).set({ gramsLeft, material: 'PETG' }).where(spool);
  expect(await proposeBatches(test.db, helper, at('08:30'))).toEqual([]);
  await test.db.update(spools).set({ material: 'PLA' }).where(spool);

  const [first] = (await wholeQueue(test.db, helper)).filter(({ state }) => state === 'waiting');
  await holdEntries(test.db, helper, [first.id], true);
  const [{ parts }] = await proposeBatches(test.db, helper, at('08:30'));
  expect(parts.map(({ id }) => id)).not.toContain(first.id);
  await holdEntries(test.db, helper, [first.id], false);
});

it('is made from a thousand files that wait', async () => {
  const [{ printFileId }] = await test.db
    .select()
    .from(queueEntries)
    .where(eq(queueEntries.state, 'waiting'));
  const copies = Array.from({ length: 1000 }, (_, i) => ({ printFileId, copy: i + 2 }));
  await test.db.insert(queueEntries).values(copies);
  const [{ parts }] = await proposeBatches(test.db, helper, at('08:30'));
  expect(parts.length).toBeGreaterThan(2);
  expect((await wholeQueue(test.db, helper)).length).toBeGreaterThan(1000);
});

it('asks teachers alone when the bells ring, and refuses what is no day', async () => {
  await expect(setSchoolDay(test.db, helper, '08:00 09:00')).rejects.toThrow();
  await expect(setSchoolDay(test.db, teacher, 'soon')).rejects.toThrow(
    'Line 1: A time is written like 08:30.',
  );
  expect(await schoolDayOf(test.db)).toHaveLength(2);
});

it('proposes what any of the rolls on a printer is for', async () => {
  const [birch] = await test.db.select().from(printers).where(eq(printers.name, 'Birch'));
  const before = await test.db.select().from(spools).where(eq(spools.printerId, birch.id));
  const proposed = async () => (await proposeBatches(test.db, helper, at('08:30')))[0]?.printer.colour;
  // Nothing that waits is of flexible filament, so the roll at the second place is the one.
  await test.db.update(spools).set({ printerId: null }).where(eq(spools.printerId, birch.id));
  await test.db.insert(spools).values([
    {
      material: 'TPU',
      colour: '#222222',
      colourName: 'slate',
      gramsLeft: 500,
      printerId: birch.id,
      place: 0,
    },
  ]);
  expect(await proposed()).toBeUndefined();
  await test.db.insert(spools).values([
    {
      material: 'PLA',
      colour: '#3f8f5f',
      colourName: 'green',
      gramsLeft: 500,
      printerId: birch.id,
      place: 1,
    },
  ]);
  expect(await proposed()).toBe('#3f8f5f');
  await test.db.delete(spools).where(eq(spools.printerId, birch.id));
  for (const { id, printerId, place } of before)
    await test.db.update(spools).set({ printerId, place }).where(eq(spools.id, id));
});
