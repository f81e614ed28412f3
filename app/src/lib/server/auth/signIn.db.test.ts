import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { school } from '../demo/school.ts';
import { signInAttempts, sessions, users } from '../db/schema/index.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { personBehind } from './session.ts';
import { signInStaff, signInStudent } from './signIn.ts';
import { TRIES } from './throttle.ts';

let test: TestDatabase;
beforeAll(async () => (test = await demoSchool()));
afterAll(() => test.drop());

const { classCode, studentPin, teacher } = school;

it('signs a student in by class code, name and PIN, whatever their case and outer spaces', async () => {
  const result = await signInStudent(test.db, ' wren8 ', ' Asha', studentPin);
  expect(result).toMatchObject({ ok: true });
  if (!result.ok) return;
  const [cookie] = result.setCookies;
  expect(cookie).toMatch(/HttpOnly/i);
  expect(cookie).toMatch(/SameSite=Lax/i);
  const asha = await test.person('Asha');
  expect(await test.db.select().from(sessions).where(eq(sessions.userId, asha.id))).toHaveLength(1);
});

it('knows who is behind each of many requests at once, until the session ends', async () => {
  const cookiesOf = async (name: string) => {
    const result = await signInStudent(test.db, classCode, name, studentPin);
    if (!result.ok) throw new Error(result.message);
    return new Headers({ cookie: result.setCookies.map((each) => each.split(';')[0]).join('; ') });
  };
  const [asha, bruno] = [await cookiesOf('asha'), await cookiesOf('bruno')];
  const asked = [asha, bruno, asha, new Headers(), asha].map((headers) => personBehind(headers));
  const names = (await Promise.all(asked)).map((person) => person?.name);
  expect(names).toEqual(['Asha', 'Bruno', 'Asha', undefined, 'Asha']);

  await test.db.delete(sessions).where(eq(sessions.userId, (await test.person('Asha')).id));
  expect(await personBehind(asha)).toBeUndefined();
  expect(await personBehind(bruno)).toMatchObject({ name: 'Bruno', role: 'student' });
});

it('signs a teacher in by e-mail and password', async () => {
  expect(await signInStaff(test.db, teacher.email.toUpperCase(), teacher.password)).toMatchObject({
    ok: true,
  });
});

it('says the same for a wrong class, a wrong name and a wrong PIN', async () => {
  const wrong = [
    await signInStudent(test.db, 'OTHER', 'asha', studentPin),
    await signInStudent(test.db, classCode, 'nobody', studentPin),
    await signInStudent(test.db, classCode, 'asha', '000000'),
  ];
  expect(new Set(wrong.map((each) => (each.ok ? '' : each.message)))).toEqual(
    new Set(['The class code, the name or the PIN is not right.']),
  );
});

it('lets no student in by the staff’s door', async () => {
  const bruno = await test.person('Bruno');
  const [{ email }] = await test.db.select().from(users).where(eq(users.id, bruno.id));
  expect(await signInStaff(test.db, email, studentPin)).toMatchObject({ ok: false });
});

it('shuts the door for a name after too many wrong PINs, and for that name alone', async () => {
  const guesses = Array.from({ length: TRIES + 4 }, (_, i) => String(100000 + i));
  await Promise.all(guesses.map((pin) => signInStudent(test.db, classCode, 'cleo', pin)));
  expect(await signInStudent(test.db, classCode, 'cleo', studentPin)).toMatchObject({
    ok: false,
    message: expect.stringContaining('Too many tries') as string,
  });
  expect(await signInStudent(test.db, classCode, 'dario', studentPin)).toMatchObject({ ok: true });

  // Once the window is over, the right PIN opens it and clears the count.
  await test.db.update(signInAttempts).set({ since: new Date(Date.now() - 6 * 60_000) });
  expect(await signInStudent(test.db, classCode, 'cleo', studentPin)).toMatchObject({ ok: true });
  expect(await signInStudent(test.db, classCode, 'cleo', studentPin)).toMatchObject({ ok: true });
});
