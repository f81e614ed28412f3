import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { classes, failings, handIns, projects, runs } from '../platform/db/schema/index.ts';
import { school } from '../demo/school.ts';
import { figuresOf } from './figures.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';

let test: TestDatabase;
let teacher: Person;
let wren: string;
beforeAll(async () => {
  test = await demoSchool();
  teacher = await test.person(school.teacher.name);
  [{ id: wren }] = await test.db.select().from(classes);
});
afterAll(() => test.drop());

const daysAgo = (days: number) => new Date(Date.now() - days * 24 * 3600_000);

it('counts day by day how many had begun, handed in, been approved and were printed', async () => {
  await test.db.update(projects).set({ begunAt: daysAgo(0) });
  await test.db.update(handIns).set({ createdAt: daysAgo(0), decidedAt: daysAgo(0) });
  await test.db.update(runs).set({ endedAt: daysAgo(0) });
  const jonah = await test.projectOf(await test.person('Jonah'));
  await test.db
    .update(projects)
    .set({ begunAt: daysAgo(3) })
    .where(eq(projects.id, jonah.id));
  await test.db
    .update(handIns)
    .set({ createdAt: daysAgo(2), decidedAt: daysAgo(1) })
    .where(eq(handIns.projectId, jonah.id));
  const { days } = await figuresOf(test.db, teacher, wren);
  const figures = days.map(({ begun, handedIn, approved, printed }) => [begun, handedIn, approved, printed]);
  expect(figures.slice(0, 3)).toEqual([
    [1, 0, 0, 0],
    [1, 1, 0, 0],
    [1, 1, 1, 0],
  ]);
  // Thirteen have begun, ten of them handed in; six were approved, two are printed.
  expect(figures).toHaveLength(4);
  expect(figures[3]).toEqual([13, 10, 6, 2]);
});

it('says which checks failed in how many projects, and the median of how long', async () => {
  await test.db.delete(failings);
  const [asha, luca] = await Promise.all(
    ['Asha', 'Luca'].map(async (name) => (await test.projectOf(await test.person(name))).id),
  );
  const lasting = (projectId: string, check: string, minutes: number | null) => ({
    projectId,
    check,
    since: daysAgo(1),
    until: minutes === null ? null : new Date(daysAgo(1).getTime() + minutes * 60_000),
  });
  await test.db
    .insert(failings)
    .values([
      lasting(asha, 'hole', 4),
      lasting(asha, 'hole', 6),
      lasting(luca, 'hole', 20),
      lasting(luca, 'wall', null),
    ]);
  const { checks } = await figuresOf(test.db, teacher, wren);
  expect(checks).toEqual([
    { check: 'hole', projects: 2, open: 0, medianMinutes: expect.closeTo(6, 1) },
    { check: 'wall', projects: 1, open: 1, medianMinutes: null },
  ]);
});

it('adds up the grams of what was printed, for each of the teacher’s classes', async () => {
  const { grams } = await figuresOf(test.db, teacher, wren);
  expect(grams).toEqual([{ name: school.className, grams: expect.any(Number) }]);
  expect(grams[0].grams).toBeGreaterThan(2);
  await expect(figuresOf(test.db, await test.otherTeacher(), wren)).rejects.toThrow(NotAllowed);
  await expect(figuresOf(test.db, teacher, wren, wren)).rejects.toThrow(NotAllowed);
});
