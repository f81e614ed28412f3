import { and, eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { auditLog, printers, printFiles, queueEntries, runs, spools } from '../platform/db/schema/index.ts';
import { school } from '../demo/school.ts';
import { endRun } from '../printing/runs/endRun.ts';
import { startPart, startBatch } from '../printing/runs/startBatch.ts';
import {
  addSpool,
  bringSpoolBack,
  endSpool,
  loadSpool,
  spoolsGone,
  spoolsOf,
  unloadSpool,
  weighSpool,
} from './spools.ts';
import { rollAt } from './loaded.ts';
import { teacherHome } from '../overview/teacherHome.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { startChecks } from '../../shared/startChecks.ts';

let test: TestDatabase;
let helper: Person;
let birch: typeof printers.$inferSelect;
/** The roll that is on it. */
let own: typeof spools.$inferSelect;
beforeAll(async () => {
  test = await demoSchool();
  helper = await test.person(school.helper.name);
  [birch] = await test.db.select().from(printers).where(eq(printers.name, 'Birch'));
  own = (await rollAt(test.db, birch.id, 0))!;
  await test.db.update(printers).set({
    status: { online: true, nozzleC: 20, nozzleTargetC: 0, bedC: 20, bedTargetC: 0 },
  });
});
afterAll(() => test.drop());

const spoolById = async (id: string) => (await test.db.select().from(spools).where(eq(spools.id, id)))[0];
const onBirch = async () => (await rollAt(test.db, birch.id, 0))?.id;
const waiting = async () => {
  const [first] = await test.db
    .select({ id: queueEntries.id, grams: printFiles.estimate })
    .from(queueEntries)
    .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .where(eq(queueEntries.state, 'waiting'))
    .orderBy(queueEntries.position)
    .limit(1);
  return { id: first.id, grams: first.grams.grams };
};

it('counts down what a run used: all of it when finished, a share when it ended early', async () => {
  const before = (await spoolById(own.id)).gramsLeft;
  const { id, grams } = await waiting();
  await startPart(test.db, helper, id, birch.id, startChecks);
  const [first] = await test.db
    .select()
    .from(runs)
    .where(and(eq(runs.printerId, birch.id), eq(runs.state, 'preparing')));
  await test.db.update(runs).set({ progress: 0.5 }).where(eq(runs.id, first.id));
  await endRun(test.db, first.id, { state: 'cancelled' });
  expect((await spoolById(own.id)).gramsLeft).toBeCloseTo(before - grams / 2, 2);
  await startBatch(test.db, helper, first.batchId, birch.id, startChecks);
  const tries = await test.db.select().from(runs).where(eq(runs.batchId, first.batchId));
  const again = tries.find((run) => run.id !== first.id)!;
  await endRun(test.db, again.id, { state: 'finished' });
  expect((await spoolById(own.id)).gramsLeft).toBeCloseTo(before - 1.5 * grams, 2);
});

it('starts nothing that would run out, and nothing in the wrong material', async () => {
  const { id } = await waiting();
  await weighSpool(test.db, helper, own.id, 1);
  await expect(startPart(test.db, helper, id, birch.id, startChecks)).rejects.toThrow(
    /takes [\d.]+ g, and spool \d+ on Birch has 1\.0 g left/,
  );
  const petg = (await spoolsOf(test.db, helper)).find(({ spool }) => spool.material === 'PETG')!;
  await loadSpool(test.db, helper, petg.spool.id, birch.id);
  await expect(startPart(test.db, helper, id, birch.id, startChecks)).rejects.toThrow(
    'This is for PLA, and there is PETG on Birch',
  );
  await unloadSpool(test.db, helper, petg.spool.id);
  await expect(startPart(test.db, helper, id, birch.id, startChecks)).rejects.toThrow(
    'does not know which spool is on Birch',
  );
  expect((await waiting()).id).toBe(id);
});

it('is on one printer at most, and stays there while that prints', async () => {
  await loadSpool(test.db, helper, own.id, birch.id);
  const [alder] = await test.db.select().from(printers).where(eq(printers.name, 'Alder'));
  // Alder prints for Ines.
  await expect(loadSpool(test.db, helper, own.id, alder.id)).rejects.toThrow('Alder is printing');
  await expect(endSpool(test.db, helper, (await rollAt(test.db, alder.id, 0))!.id)).rejects.toThrow(
    'Alder is printing',
  );
  expect(await onBirch()).toBe(own.id);
  await endSpool(test.db, helper, own.id);
  expect(await onBirch()).toBeUndefined();
  expect((await spoolsOf(test.db, helper)).map(({ spool }) => spool.id)).not.toContain(own.id);
  await expect(weighSpool(test.db, helper, own.id, 5)).rejects.toThrow(NotAllowed);
});

it('is noted with a number, and refused in a sentence', async () => {
  const draft = { material: 'PLA', colour: '#224466', colourName: 'night blue', gramsLeft: '750' };
  const number = await addSpool(test.db, helper, draft);
  const listed = (await spoolsOf(test.db, helper)).at(-1)!;
  expect(listed).toMatchObject({ spool: { number, gramsLeft: 750 }, printer: null });
  await expect(addSpool(test.db, helper, { ...draft, colourName: ' ' })).rejects.toThrow(
    'Say what the colour',
  );
  await expect(weighSpool(test.db, helper, listed.spool.id, '-4')).rejects.toThrow('At least 0 g');
  await expect(spoolsOf(test.db, await test.person('Asha'))).rejects.toThrow(NotAllowed);

  await loadSpool(test.db, helper, listed.spool.id, birch.id);
  const home = await teacherHome(test.db, await test.person(school.teacher.name));
  expect(home.printers.find(({ name }) => name === 'Birch')!.places).toMatchObject([{ number }]);
});

it('comes back when it was taken for used up', async () => {
  const number = await addSpool(test.db, helper, {
    material: 'PETG',
    colour: '#204080',
    colourName: 'night',
    gramsLeft: '0,75 kg',
    pricePerKg: '19,90',
  });
  const added = (await spoolsOf(test.db, helper)).find(({ spool }) => spool.number === number)!.spool;
  expect(added).toMatchObject({ gramsLeft: 750, pricePerKg: expect.closeTo(19.9, 4) });
  await endSpool(test.db, helper, added.id);
  expect((await spoolsOf(test.db, helper)).map(({ spool }) => spool.id)).not.toContain(added.id);
  expect((await spoolsGone(test.db, helper))[0].id).toBe(added.id);
  await bringSpoolBack(test.db, helper, added.id);
  // Of a second press nothing is told.
  await bringSpoolBack(test.db, helper, added.id);
  expect((await spoolsOf(test.db, helper)).map(({ spool }) => spool.id)).toContain(added.id);
  expect(await test.db.$count(auditLog, eq(auditLog.action, 'bring-back-spool'))).toBe(1);
});
