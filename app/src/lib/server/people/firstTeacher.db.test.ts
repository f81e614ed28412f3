import { eq, ne } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { signInStaff } from '../platform/auth/signIn.ts';
import { limitsCards, users } from '../platform/db/schema/index.ts';
import { firstCode } from './firstCode.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { beginKelbrin, isNew } from './firstTeacher.ts';
import { createClass } from './newClass.ts';

let test: TestDatabase;
beforeAll(async () => (test = await demoSchool()));
afterAll(() => test.drop());

const code = firstCode(process.env.KELBRIN_SECRET!);
const draft = { code, name: 'Mx Sorrel', email: 'Sorrel@wrenfield.example', password: 'ten letters' };

it('is refused where somebody teaches already', async () => {
  expect(await isNew(test.db)).toBe(false);
  await expect(beginKelbrin(test.db, draft)).rejects.toThrow('has a teacher already');
});

it('makes the first teacher with the server’s code, one of two who begin at once, with what a class needs', async () => {
  await test.db.execute('truncate users, limits_cards, classes cascade');
  expect(await isNew(test.db)).toBe(true);
  await expect(beginKelbrin(test.db, { ...draft, code: 'A'.repeat(10) })).rejects.toThrow(
    'code is not right',
  );
  await expect(beginKelbrin(test.db, { ...draft, password: 'short' })).rejects.toThrow('at least 10');
  await expect(beginKelbrin(test.db, { ...draft, email: 'sorrel' })).rejects.toThrow('no e-mail address');

  const tries = await Promise.allSettled([
    beginKelbrin(test.db, draft),
    beginKelbrin(test.db, { ...draft, email: 'late@wrenfield.example', code: code.toLowerCase() }),
  ]);
  expect(tries.map(({ status }) => status).toSorted()).toEqual(['fulfilled', 'rejected']);
  const [teacher, ...others] = await test.db.select().from(users).where(ne(users.role, 'student'));
  expect(others).toEqual([]);
  expect((await signInStaff(test.db, teacher.email, draft.password)).ok).toBe(true);
  const id = await createClass(test.db, { id: teacher.id, name: teacher.name, role: 'teacher' }, 'Year 7');
  expect(id).toBeTruthy();
  expect(await test.db.$count(limitsCards, eq(limitsCards.name, 'Classroom printer, 0.4 mm nozzle'))).toBe(1);
});
