import { and, eq, like, notLike } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { school } from '../../demo/school.ts';
import { classes, signInAttempts, sessions, users } from '../db/schema/index.ts';
import { addListed, peopleOf, unlockClass } from '../../people/classPeople.ts';
import { demoSchool, type TestDatabase } from '../../testing/database.ts';
import { personBehind } from './session.ts';
import { signInStaff, signInStudent } from './signIn.ts';
import { CLASS_TRIES_A_DAY, DEVICE_TRIES_A_DAY, TRIES } from './throttle.ts';

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

it('takes a name and a PIN kindly: accents, case and spaces may be left out or put in', async () => {
  const [{ id: wren }] = await test.db.select().from(classes);
  const teacherPerson = await test.person(teacher.name);
  await addListed(test.db, teacherPerson, wren, 'Zoë Łuk, zoë, 526017\nZoe Other, zoe.o, 526018');
  for (const name of ['Zoë', 'zoe', 'ZOE', ' zo ë '])
    expect(await signInStudent(test.db, ' wr en8', name, '526 017')).toMatchObject({ ok: true });
  // Where two are called alike, each is who is written exactly.
  await addListed(test.db, teacherPerson, wren, 'Zoé Third, zoé, 526019');
  expect(await signInStudent(test.db, classCode, 'zoe', '526017')).toMatchObject({ ok: false });
  expect(await signInStudent(test.db, classCode, 'zoé', '526-019')).toMatchObject({ ok: true });
});

describe('strangers who guess', () => {
  const guess = (name: string, n: number, device?: string) =>
    Promise.all(
      Array.from({ length: n }, (_, i) =>
        signInStudent(test.db, classCode, name, String(300_000 + i), device),
      ),
    );

  it('shut nobody out on a device that was used before, whatever they try; the teacher is told and lets all try again', async () => {
    const own = await signInStudent(test.db, classCode, 'bruno', studentPin);
    if (!own.ok) throw new Error(own.message);
    await guess('bruno', TRIES + 2);
    expect(await signInStudent(test.db, classCode, 'bruno', studentPin)).toMatchObject({ ok: false });
    expect(await signInStudent(test.db, classCode, 'bruno', studentPin, own.device)).toMatchObject({
      ok: true,
    });
    // A device is known for all of its class, as a school's are used by many.
    expect(await signInStudent(test.db, classCode, 'dario', studentPin, own.device)).toMatchObject({
      ok: true,
    });

    const teacherPerson = await test.person(teacher.name);
    const [{ id: wren }] = await test.db.select().from(classes);
    expect((await peopleOf(test.db, teacherPerson, wren)).shut).toEqual({ names: ['bruno'], isClass: false });
    await unlockClass(test.db, teacherPerson, wren);
    expect((await peopleOf(test.db, teacherPerson, wren)).shut).toEqual({ names: [], isClass: false });
    expect(await signInStudent(test.db, classCode, 'bruno', studentPin)).toMatchObject({ ok: true });
  });

  it('have only so many guesses a day for a whole class, and for one device', async () => {
    const [{ id: wren }] = await test.db.select().from(classes);
    await test.db
      .insert(signInAttempts)
      .values({ key: `class ${wren}`, failures: CLASS_TRIES_A_DAY, since: new Date(), classId: wren })
      .onConflictDoUpdate({ target: signInAttempts.key, set: { failures: CLASS_TRIES_A_DAY } });
    const [refused] = await guess('femi', 1);
    expect(refused).toMatchObject({ message: expect.stringContaining('this class today') as string });
    const teacherPerson = await test.person(teacher.name);
    expect((await peopleOf(test.db, teacherPerson, wren)).shut.isClass).toBe(true);
    await unlockClass(test.db, teacherPerson, wren);

    const own = await signInStudent(test.db, classCode, 'greta', studentPin);
    if (!own.ok) throw new Error(own.message);
    const { device } = own;
    const answered = async (name: string, n: number) =>
      (await guess(name, n, device)).filter((result) => !result.ok && result.message.includes('is not right'))
        .length;
    expect(await answered('asha', 3)).toBe(3);
    const ofDevice = and(like(signInAttempts.key, 'device %'), notLike(signInAttempts.key, 'device % %'));
    const [counted] = await test.db.select().from(signInAttempts).where(ofDevice);
    expect(counted.failures).toBe(3);
    await test.db
      .update(signInAttempts)
      .set({ failures: DEVICE_TRIES_A_DAY - 4 })
      .where(ofDevice);
    expect(await answered('dario', 3)).toBe(3);
    expect(await answered('femi', 3)).toBe(1);
    expect(await answered('hana', 3)).toBe(0);
  });
});
