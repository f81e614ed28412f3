import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { designOf, recipeOf } from '@kelbrin/core/design';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { briefs, projects, seats } from '../platform/db/schema/index.ts';
import { labelRecipe } from '../demo/labels.ts';
import { school } from '../demo/school.ts';
import { makeTeam } from '../people/teams.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { companyAt, endPointing, leaveSeat, pointAt, takeSeat } from './company.ts';
import { openProject, saveDesign } from './projects.ts';

let test: TestDatabase;
let project: string;
const person: Record<'teacher' | 'luca' | 'noor' | 'asha', Person> = {} as never;
beforeAll(async () => {
  test = await demoSchool();
  person.teacher = await test.person(school.teacher.name);
  for (const name of ['luca', 'noor', 'asha'] as const)
    person[name] = await test.person(name[0].toUpperCase() + name.slice(1));
  const [brief] = await test.db.select().from(briefs);
  await makeTeam(test.db, person.teacher, brief.id, [person.luca.id, person.noor.id]);
  project = await openProject(test.db, person.luca, brief.id);
});
afterAll(() => test.drop());

it('tells each of a team where the others work, until they leave or are silent', async () => {
  await takeSeat(test.db, person.luca, project, { partId: 'p1', stepId: 's1' });
  await takeSeat(test.db, person.luca, project, { partId: 'p1', stepId: 's2' });
  await takeSeat(test.db, person.noor, project, { partId: 'p1' });
  expect(await companyAt(test.db, person.noor, project)).toEqual({
    seats: [{ name: 'Luca', partId: 'p1', stepId: 's2' }],
  });
  expect((await companyAt(test.db, person.luca, project)).seats).toEqual([{ name: 'Noor', partId: 'p1' }]);
  await leaveSeat(test.db, person.noor, project);
  expect((await companyAt(test.db, person.luca, project)).seats).toEqual([]);
  await test.db
    .update(seats)
    .set({ at: new Date(Date.now() - 61_000) })
    .where(eq(seats.projectId, project));
  expect((await companyAt(test.db, person.noor, project)).seats).toEqual([]);
});

it('shows what the teacher points at, the latest alone, until it is taken back', async () => {
  const words = 'This wall is thin.';
  await pointAt(test.db, person.teacher, project, { anchor: { step: 's1' }, words });
  await pointAt(test.db, person.teacher, project, { anchor: { at: [1, 2.5, 3] }, words });
  const { pointer } = await companyAt(test.db, person.luca, project);
  expect(pointer).toMatchObject({
    teacher: school.teacher.name,
    partId: 'p1',
    anchor: { at: [1, 2.5, 3] },
    words,
  });
  await endPointing(test.db, person.teacher, project);
  expect((await companyAt(test.db, person.luca, project)).pointer).toBeUndefined();
});

it('is for nobody else', async () => {
  const asha = person.asha;
  await expect(companyAt(test.db, asha, project)).rejects.toThrow(NotAllowed);
  await expect(takeSeat(test.db, asha, project, { partId: 'p1' })).rejects.toThrow(NotAllowed);
  await expect(leaveSeat(test.db, asha, project)).rejects.toThrow(NotAllowed);
  const words = 'Here.';
  for (const each of [asha, person.luca])
    await expect(pointAt(test.db, each, project, { anchor: { step: 's1' }, words })).rejects.toThrow(
      NotAllowed,
    );
});

it('knows the keys of the last saves, so that a save whose answer was lost is found', async () => {
  const [{ revision }] = await test.db.select().from(projects).where(eq(projects.id, project));
  const key = crypto.randomUUID();
  const first = await saveDesign(
    test.db,
    person.luca,
    project,
    revision,
    designOf(labelRecipe({ words: 'A' })),
    key,
  );
  expect(first).toEqual({ ok: true, revision: revision + 1 });
  let at = first.revision;
  for (let i = 0; i < 25; i++) {
    const design = designOf(labelRecipe({ words: `B${i}` }));
    const again = await saveDesign(test.db, person.luca, project, revision, designOf(), crypto.randomUUID());
    expect(again).toMatchObject({ ok: false, revision: at });
    if (!again.ok) expect(again.saves.includes(key)).toBe(i < 20);
    at = (await saveDesign(test.db, person.noor, project, at, design)).revision;
  }
  const [last] = await test.db.select().from(projects).where(eq(projects.id, project));
  expect(last.saves).toHaveLength(20);
  expect(recipeOf(last.design)).toEqual(labelRecipe({ words: 'B24' }));
});
