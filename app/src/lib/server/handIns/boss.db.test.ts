import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { askForInspection, INSPECT, RECHECK, startBoss } from './boss.ts';

let test: TestDatabase;
beforeAll(async () => {
  test = await demoSchool();
});
afterAll(() => test.drop());

it('is started by many processes at once, also where none was before', async () => {
  for (let round = 0; round < 6; round++) {
    // As in a school where no job process has run yet; then with the tables that the first one makes, and no queue.
    if (round % 3 === 0) await test.sql.unsafe('drop schema if exists pgboss cascade');
    else for (const queue of [INSPECT, RECHECK]) await test.sql`select pgboss.delete_queue(${queue})`;
    const started = await Promise.allSettled(Array.from({ length: 12 }, () => startBoss(false)));
    const bosses = started.flatMap((each) => (each.status === 'fulfilled' ? [each.value] : []));
    const queues = (await bosses[0]?.getQueues())?.map(({ name }) => name) ?? [];
    await Promise.all(bosses.map((boss) => boss.stop({ graceful: false })));
    expect(started.filter(({ status }) => status === 'rejected')).toEqual([]);
    expect(queues).toEqual(expect.arrayContaining([INSPECT, RECHECK]));
  }
});

it('is tried again by the next who asks, where it could not be started', async () => {
  await test.sql.unsafe(
    'drop schema if exists pgboss cascade; create schema pgboss; create table pgboss.version (version text)',
  );
  await expect(askForInspection(randomUUID())).rejects.toThrow();
  await test.sql.unsafe('drop schema pgboss cascade');
  await askForInspection(randomUUID());
  expect(await test.sql`select name from pgboss.job`).toHaveLength(1);
});
