import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { designOf } from '@kelbrin/core/design';
import { briefs, projects } from '../platform/db/schema/index.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { isFirstProject } from './firstProject.ts';
import { openProject } from './projects.ts';

let test: TestDatabase;
beforeAll(async () => (test = await demoSchool()));
afterAll(() => test.drop());

it('is the one that a student begins, until it is worked at or another is begun', async () => {
  const noor = await test.person('Noor');
  const [brief] = await test.db.select().from(briefs).where(eq(briefs.title, 'Seed-tray labels'));
  const id = await openProject(test.db, noor, brief.id);
  const { starter } = brief;
  const [{ design }] = await test.db.select().from(projects).where(eq(projects.id, id));
  expect(await isFirstProject(test.db, noor.id, { design, starter })).toBe(true);
  expect(await isFirstProject(test.db, noor.id, { design: designOf(undefined), starter })).toBe(false);

  const [other] = await test.db
    .insert(briefs)
    .values({ ...brief, id: undefined, title: 'Another one' })
    .returning();
  await openProject(test.db, noor, other.id);
  expect(await isFirstProject(test.db, noor.id, { design, starter })).toBe(false);
});
