import { and, eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { inFairOrder } from '../../../shared/proposal.ts';
import { NotAllowed, type Person } from '../../platform/auth/access.ts';
import { compute } from '../../platform/compute/compute.ts';
import { printers, runs } from '../../platform/db/schema/index.ts';
import { school } from '../../demo/school.ts';
import { endRun } from '../runs/endRun.ts';
import { startPart } from '../runs/startBatch.ts';
import { dropEntry, orderQueue, queue, repeatPrint } from './queue.ts';
import { standings } from '../../projects/projects.ts';
import { demoSchool, type TestDatabase } from '../../testing/database.ts';
import { startChecks } from '../../../shared/startChecks.ts';

let test: TestDatabase;
let teacher: Person;
let helper: Person;
beforeAll(async () => {
  test = await demoSchool();
  teacher = await test.person(school.teacher.name);
  helper = await test.person(school.helper.name);
});
afterAll(async () => {
  await compute().close();
  await test.drop();
});

const entries = () => queue(test.db, helper);
const waiting = async () => inFairOrder((await entries()).filter(({ state }) => state === 'waiting'));

it('keeps the order that somebody gives it, until it goes by the rules again', async () => {
  const byRules = (await waiting()).map(({ id }) => id);
  const backwards = byRules.toReversed();
  await orderQueue(test.db, helper, backwards);
  expect((await waiting()).map(({ id }) => id)).toEqual(backwards);
  await orderQueue(test.db, helper, backwards.slice(0, 1));
  expect((await waiting())[0].id).toBe(backwards[0]);
  await orderQueue(test.db, helper, []);
  expect((await waiting()).map(({ id }) => id)).toEqual(byRules);
  await expect(orderQueue(test.db, helper, ['first'])).rejects.toThrow('do not exist');
});

it('lets the teacher take a part out and put it back, and nobody else', async () => {
  const [first] = await waiting();
  await expect(dropEntry(test.db, helper, first.id, true)).rejects.toThrow(NotAllowed);
  await dropEntry(test.db, teacher, first.id, true);
  expect((await waiting()).map(({ id }) => id)).not.toContain(first.id);
  expect((await entries()).find(({ id }) => id === first.id)!.state).toBe('dropped');
  await expect(dropEntry(test.db, teacher, first.id, true)).rejects.toThrow('not waiting any more');
  await dropEntry(test.db, teacher, first.id, false);
  expect((await waiting()).map(({ id }) => id)).toContain(first.id);
});

it('prints a part once more, and tells its student that all is printed when what is left was taken out', async () => {
  const [first] = await waiting();
  const [birch] = await test.db.select().from(printers).where(eq(printers.name, 'Birch'));
  const status = { online: true, nozzleC: 20, nozzleTargetC: 0, bedC: 20, bedTargetC: 0 };
  await test.db.update(printers).set({ status }).where(eq(printers.id, birch.id));
  await expect(repeatPrint(test.db, helper, first.id)).rejects.toThrow(NotAllowed);
  await startPart(test.db, helper, first.id, birch.id, startChecks);
  const [{ id }] = await test.db
    .select()
    .from(runs)
    .where(and(eq(runs.printerId, birch.id), eq(runs.state, 'preparing')));
  await endRun(test.db, id, { state: 'finished' });
  await repeatPrint(test.db, helper, first.id);
  const more = (await waiting()).find(({ handInId }) => handInId === first.handInId)!;
  expect(more.copy).toBe(2);
  const stand = async () =>
    [...(await standings(test.db, [first.projectId])).values()].map(({ state }) => state);
  expect(await stand()).toEqual(['approved']);
  await dropEntry(test.db, teacher, more.id, true);
  expect(await stand()).toEqual(['printed']);
});
