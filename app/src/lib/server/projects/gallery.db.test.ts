import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { classes, handIns } from '../platform/db/schema/index.ts';
import { school } from '../demo/school.ts';
import { galleriesFor, galleryOf, hangsFor, pieceToLookAt, setGallery } from './gallery.ts';
import { setArchived } from '../people/classPeople.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';

let test: TestDatabase;
let teacher: Person;
let asha: Person;
let wren: string;
beforeAll(async () => {
  test = await demoSchool();
  teacher = await test.person(school.teacher.name);
  asha = await test.person('Asha');
  [{ id: wren }] = await test.db.select().from(classes);
});
afterAll(() => test.drop());

it('shows everyone of the class what was approved, and nothing else', async () => {
  const approved = await test.db.select().from(handIns).where(eq(handIns.state, 'approved'));
  for (const person of [asha, await test.person(school.helper.name), teacher]) {
    const { pieces } = await galleryOf(test.db, person, wren);
    expect(pieces.map(({ id }) => id).sort()).toEqual(approved.map(({ id }) => id).sort());
  }
  expect(await galleriesFor(test.db, asha)).toEqual([{ id: wren, name: school.className }]);
  expect(await pieceToLookAt(test.db, asha, wren, approved[0].id)).toMatchObject({
    brief: 'Seed-tray labels',
  });
  const [waiting] = await test.db.select().from(handIns).where(eq(handIns.state, 'waiting'));
  await expect(pieceToLookAt(test.db, asha, wren, waiting.id)).rejects.toThrow(NotAllowed);
  expect(await hangsFor(test.db, asha, waiting.id)).toBe(false);
});

it('is shut to strangers, to who has left, and to the class while it is closed', async () => {
  const [{ id }] = await test.db.select().from(handIns).where(eq(handIns.state, 'approved'));
  const expectShut = async (person: Person) => {
    await expect(galleryOf(test.db, person, wren)).rejects.toThrow(NotAllowed);
    await expect(pieceToLookAt(test.db, person, wren, id)).rejects.toThrow(NotAllowed);
    expect(await hangsFor(test.db, person, id)).toBe(false);
  };
  await expectShut(await test.otherTeacher());
  const noor = await test.person('Noor');
  await setArchived(test.db, teacher, wren, [noor.id], true);
  await expectShut(noor);
  await expect(setGallery(test.db, asha, wren, true)).rejects.toThrow(NotAllowed);
  await setGallery(test.db, teacher, wren, false);
  await expectShut(asha);
  expect(await galleriesFor(test.db, asha)).toEqual([]);
  expect((await galleryOf(test.db, teacher, wren)).group.isOpen).toBe(false);
});
