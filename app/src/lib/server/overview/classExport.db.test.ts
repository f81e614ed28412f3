import { strFromU8, unzipSync } from 'fflate';
import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { picturesIn, wordsOf } from '../../shared/taskText.ts';
import { classAsZip } from './classExport.ts';
import { classes, handIns, users } from '../platform/db/schema/index.ts';
import { school } from '../demo/school.ts';
import { sha256 } from '../platform/basics/sha256.ts';
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

it('holds everything of a class in open formats', async () => {
  const elif = await test.projectOf(await test.person('Elif'));
  await test.db.update(users).set({ name: '=Ada/../x' }).where(eq(users.name, 'Noor'));
  const { name, zip } = await classAsZip(test.db, teacher, wren);
  const bytes = new Uint8Array(await new Response(zip).arrayBuffer());
  expect(name).toMatch(/\.zip$/);
  const files = unzipSync(bytes);
  const paths = Object.keys(files);
  const read = (path: RegExp) => strFromU8(files[paths.find((each) => path.test(each))!]);

  const people = read(/^people\.csv$/).split('\n');
  expect(people[0]).toBe('name,sign-in name,archived');
  expect(people).toContain('Elif,elif,');
  // What looks like a formula is none, and no name leads out of the zip.
  expect(people).toContain(`"'=Ada/../x",noor,`);
  expect(paths.filter((path) => path.includes('..'))).toEqual([]);

  const { task, ...saying } = school.brief;
  const told = JSON.parse(read(/brief\.json$/));
  expect(told).toMatchObject(saying);
  expect(wordsOf(told.task)).toBe(wordsOf(task));
  const [hash] = picturesIn(told.task);
  expect(paths.some((path) => path.endsWith(`/picture ${hash.slice(0, 12)}.png`))).toBe(true);
  expect(JSON.parse(read(/Elif\/design\.json$/))).toEqual(elif.design);
  const [handIn] = await test.db
    .select()
    .from(handIns)
    .where(eq(handIns.projectId, elif.id))
    .orderBy(handIns.number);
  expect(JSON.parse(read(/Elif\/hand-in 1\.json$/))).toMatchObject({
    state: 'sent_back',
    comment: handIn.comment,
    remarks: [{ words: 'Larger letters, and dill has two l.' }],
  });
  const solid = files[paths.find((each) => /Elif\/hand-in 1\.3mf$/.test(each))!];
  expect(sha256(solid)).toBe(handIn.solidHash);
  expect(paths.filter((path) => path.endsWith('design.json'))).toHaveLength(13);
});

it('is for the class’s own teacher', async () => {
  for (const name of ['Elif', school.helper.name]) {
    await expect(classAsZip(test.db, await test.person(name), wren)).rejects.toThrow(NotAllowed);
  }
});
