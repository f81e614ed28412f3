import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { ordinaryPlanning } from '../../../shared/planning.ts';
import { school } from '../../demo/school.ts';
import { NotAllowed, type Person } from '../../platform/auth/access.ts';
import { compute } from '../../platform/compute/compute.ts';
import { briefs, planPins, printers } from '../../platform/db/schema/index.ts';
import { noticesOf } from '../../platform/notices.ts';
import { demoSchool, type TestDatabase } from '../../testing/database.ts';
import { holdEntries } from '../queue/queue.ts';
import { queueRows } from '../queue/rows.ts';
import { tellOfLateBriefs } from './lateBriefs.ts';
import { pinBatch, unpinBatch } from './pins.ts';
import { setPlanning } from './planning.ts';
import { planOfWeek } from './weekPlan.ts';

let test: TestDatabase;
let teacher: Person;
let helper: Person;
/** A Thursday in the second lesson. */
const NOW = new Date('2026-12-03T10:00');
const at = (time: string) => new Date(time);
beforeAll(async () => {
  test = await demoSchool();
  teacher = await test.person(school.teacher.name);
  helper = await test.person(school.helper.name);
});
afterAll(async () => {
  await compute().close();
  await test.drop();
});

const plan = () => planOfWeek(test.db, helper, NOW);
const waiting = async () => (await queueRows(test.db, helper)).filter(({ state }) => state === 'waiting');
const printerCalled = async (name: string) =>
  (await test.db.select().from(printers).where(eq(printers.name, name)))[0].id;

it('puts all that waits on printers while somebody is there, and says when each brief is done', async () => {
  const week = await plan();
  expect(week.batches.flatMap(({ parts }) => parts)).toHaveLength((await waiting()).length);
  expect(week.notPlanned).toBe(0);
  for (const { fromMs } of week.batches)
    expect(week.attended.some((slot) => slot.fromMs <= fromMs && fromMs < slot.toMs)).toBe(true);
  expect(week.outlook).toHaveLength(1);
  expect(week.outlook[0].doneMs).toBe(Math.max(...week.batches.map(({ toMs }) => toMs)));
  // What runs now is done first.
  const alder = week.lanes.find(({ name }) => name === 'Alder')!;
  expect(alder.busy?.batches).toHaveLength(1);
});

it('leaves out what is held back', async () => {
  const [first] = await waiting();
  await holdEntries(test.db, helper, [first.id], true);
  const ids = (await plan()).batches.flatMap(({ parts }) => parts.map(({ id }) => id));
  expect(ids).not.toContain(first.id);
  await holdEntries(test.db, helper, [first.id], false);
});

it('keeps a batch where somebody put it, until the plan may choose again', async () => {
  const [first, ...others] = await waiting();
  const birch = await printerCalled('Birch');
  await pinBatch(
    test.db,
    helper,
    { printer: birch, startAt: at('2026-12-04T11:00'), entries: [first.id] },
    NOW,
  );
  const mine = (await plan()).batches.find(({ pin }) => pin !== undefined)!;
  expect(mine).toMatchObject({ printer: birch, fromMs: at('2026-12-04T11:00').getTime() });
  expect(mine.parts.map(({ id }) => id)).toEqual([first.id]);
  expect(mine.reasons).toContain('byHand');
  // Put somewhere else with another part, it is in one batch alone.
  await pinBatch(
    test.db,
    teacher,
    {
      printer: birch,
      startAt: at('2026-12-07T09:00'),
      entries: [first.id, others[0].id],
    },
    NOW,
  );
  const pinned = (await plan()).batches.filter(({ pin }) => pin !== undefined);
  expect(pinned.map(({ parts }) => parts.length)).toEqual([2]);
  expect(await test.db.select().from(planPins)).toHaveLength(1);
  await unpinBatch(test.db, helper, pinned[0].pin!);
  expect((await plan()).batches.every(({ pin }) => pin === undefined)).toBe(true);
});

it('says in a sentence what cannot be put anywhere', async () => {
  const [first] = await waiting();
  const birch = await printerCalled('Birch');
  const entries = [first.id];
  await expect(
    pinBatch(test.db, helper, { printer: birch, startAt: at('2027-05-01T09:00'), entries }, NOW),
  ).rejects.toThrow('two months');
  await expect(
    pinBatch(test.db, helper, { printer: birch, startAt: at('soon'), entries }, NOW),
  ).rejects.toThrow('begin');
  await expect(pinBatch(test.db, helper, { printer: first.id, startAt: NOW, entries }, NOW)).rejects.toThrow(
    NotAllowed,
  );
  await expect(
    pinBatch(test.db, helper, { printer: birch, startAt: NOW, entries: [birch] }, NOW),
  ).rejects.toThrow('not waiting any more');
});

it('knows the days on which nobody is there', async () => {
  await expect(setPlanning(test.db, helper, ordinaryPlanning)).rejects.toThrow(NotAllowed);
  await expect(setPlanning(test.db, teacher, { ...ordinaryPlanning, weekdays: [] })).rejects.toThrow(
    'at least one',
  );
  await setPlanning(test.db, teacher, { ...ordinaryPlanning, freeDays: ['2026-12-03', '2026-12-04'] });
  const week = await plan();
  expect(new Date(week.attended[0].fromMs)).toEqual(at('2026-12-07T08:40'));
  expect(week.batches.every(({ fromMs }) => fromMs >= at('2026-12-07T08:40').getTime())).toBe(true);
  await setPlanning(test.db, teacher, ordinaryPlanning);
});

it('tells the teacher once of a brief that will not be printed in time', async () => {
  const told = async () => (await noticesOf(test.db, teacher)).filter(({ kind }) => kind === 'brief_late');
  const dueOn = async (day: string) => test.db.update(briefs).set({ dueOn: day });
  await dueOn('2026-12-20');
  await tellOfLateBriefs(test.db, NOW);
  expect(await told()).toEqual([]);
  // Nobody comes before Monday.
  await setPlanning(test.db, teacher, { ...ordinaryPlanning, freeDays: ['2026-12-03', '2026-12-04'] });
  await dueOn('2026-12-04');
  await Promise.all([tellOfLateBriefs(test.db, NOW), tellOfLateBriefs(test.db, NOW)]);
  await tellOfLateBriefs(test.db, new Date(NOW.getTime() + 24 * 3600_000));
  expect(await told()).toMatchObject([{ count: 1, brief: 'Seed-tray labels' }]);
  await setPlanning(test.db, teacher, ordinaryPlanning);
});
