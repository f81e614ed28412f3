import { and, eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it, vi } from 'vitest';
import { inFairOrder } from '../../../shared/proposal.ts';
import { NotAllowed, type Person } from '../../platform/auth/access.ts';
import { compute } from '../../platform/compute/compute.ts';
import { printers, runs } from '../../platform/db/schema/index.ts';
import { school } from '../../demo/school.ts';
import { endRun } from '../runs/endRun.ts';
import { startPart } from '../runs/startBatch.ts';
import { orderByRules, putAt } from './order.ts';
import { dropEntries, holdEntries, repeatPrint } from './queue.ts';
import { wholeQueue } from '../../testing/wholeQueue.ts';
import { queueNews } from './rows.ts';
import { afterNews, type QueueRow } from '../../../shared/queue/queueRow.ts';
import { isChangeIn } from '../../../shared/snapshot.ts';
import { LiveHub } from '../../platform/live/hub.ts';
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

const entries = () => wholeQueue(test.db, helper);
const waiting = async () => inFairOrder((await entries()).filter(({ state }) => state === 'waiting'));

const order = async () => (await waiting()).map(({ id }) => id);

it('keeps the order that somebody gives it, until it is ordered by the rules again', async () => {
  const byRules = await order();
  expect(byRules.length).toBeGreaterThan(2);
  const [first, second, ...others] = byRules;
  const last = byRules.at(-1)!;
  await putAt(test.db, helper, [last], 'first');
  expect(await order()).toEqual([last, ...byRules.slice(0, -1)]);
  await putAt(test.db, helper, [first, second], 'last');
  expect(await order()).toEqual([last, ...others.slice(0, -1), first, second]);
  await putAt(test.db, helper, [last], { before: first });
  expect(await order()).toEqual([...others.slice(0, -1), last, first, second]);
  await orderByRules(test.db, helper);
  expect(await order()).toEqual(byRules);
});

it('says when a part or its neighbour waits no more, and moves nothing', async () => {
  const before = await order();
  const nobody = '00000000-0000-4000-8000-000000000000';
  await expect(putAt(test.db, helper, [nobody], 'first')).rejects.toThrow('not waiting any more');
  await expect(putAt(test.db, helper, before.slice(0, 1), { before: nobody })).rejects.toThrow(
    'somewhere else',
  );
  expect(await order()).toEqual(before);
});

it('keeps both wishes of two who move parts at once', async () => {
  const [, second, third] = await order();
  await Promise.all([putAt(test.db, helper, [second], 'first'), putAt(test.db, teacher, [third], 'first')]);
  expect(new Set((await order()).slice(0, 2))).toEqual(new Set([second, third]));
  await orderByRules(test.db, helper);
});

it('sends whoever knows a version of it what is new since, and nothing else', async () => {
  const all = await queueNews(test.db, helper, null);
  expect(all.isWhole).toBe(true);
  expect(await queueNews(test.db, helper, all.version)).toEqual({
    version: all.version,
    isWhole: false,
    rows: [],
    gone: [],
    snapshot: expect.any(String),
  });
  const [first, second] = all.rows;
  await holdEntries(test.db, helper, [first.id], true);
  await dropEntries(test.db, teacher, [second.id], true);
  const news = await queueNews(test.db, teacher, all.version);
  expect(news.rows.map(({ id, state }) => [id, state])).toEqual(
    expect.arrayContaining([
      [first.id, 'held'],
      [second.id, 'out'],
    ]),
  );
  expect(news.rows).toHaveLength(2);
  const known = new Map(all.rows.map((row): [string, QueueRow] => [row.id, row]));
  const now = await queueNews(test.db, helper, 'a version of another process');
  expect(now.isWhole).toBe(true);
  expect(afterNews(known, news)).toEqual(afterNews(known, now));
  await holdEntries(test.db, helper, [first.id], false);
  await dropEntries(test.db, teacher, [second.id], false);
});

it('says which changes are in what it sends, so that whoever made one does not fetch it once more', async () => {
  const changes: number[] = [];
  const unfollow = await new LiveHub(test.sql).follow(['queue'], (_, change) => {
    if (change !== undefined) changes.push(Number(change));
  });
  const { snapshot: before } = await queueNews(test.db, helper, null);
  const [, second] = await order();
  await putAt(test.db, helper, [second], 'first');
  const { snapshot: after } = await queueNews(test.db, helper, null);
  await vi.waitFor(() => expect(changes).toHaveLength(1));
  expect(isChangeIn(before, changes[0])).toBe(false);
  expect(isChangeIn(after, changes[0])).toBe(true);
  await orderByRules(test.db, teacher);
  await vi.waitFor(() => expect(changes).toHaveLength(2));
  expect(isChangeIn(after, changes[1])).toBe(false);
  unfollow();
});

it('lets the teacher take a part out and put it back, and nobody else', async () => {
  const [first] = await waiting();
  await expect(dropEntries(test.db, helper, [first.id], true)).rejects.toThrow(NotAllowed);
  await dropEntries(test.db, teacher, [first.id], true);
  expect((await waiting()).map(({ id }) => id)).not.toContain(first.id);
  expect((await entries()).find(({ id }) => id === first.id)!.state).toBe('dropped');
  await expect(dropEntries(test.db, teacher, [first.id], true)).rejects.toThrow('not waiting any more');
  await dropEntries(test.db, teacher, [first.id], false);
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
  const more = (await waiting()).find(
    ({ student, part }) => student === first.student && part === first.part,
  )!;
  expect(more.copy).toBe(2);
  const stand = async () =>
    [...(await standings(test.db, [first.projectId])).values()].map(({ state }) => state);
  expect(await stand()).toEqual(['approved']);
  await dropEntries(test.db, teacher, [more.id], true);
  expect(await stand()).toEqual(['printed']);
});
