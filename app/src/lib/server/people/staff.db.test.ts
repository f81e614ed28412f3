import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { signInStaff } from '../platform/auth/signIn.ts';
import { closePasswords } from '../platform/auth/passwords.ts';
import { classes, entryLinks, sessions, users } from '../platform/db/schema/index.ts';
import { school } from '../demo/school.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { addHelper, removeHelper } from './helpers.ts';
import { changePassword, endOwn, sessionsOf } from './ownSignIn.ts';
import { enter, entryBy, inviteStaff, resetLink, setDisabled, staffOf } from './staff.ts';

let test: TestDatabase;
let teacher: Person;
let helper: Person;
let wren: string;
beforeAll(async () => {
  test = await demoSchool();
  teacher = await test.person(school.teacher.name);
  helper = await test.person(school.helper.name);
  [{ id: wren }] = await test.db.select().from(classes);
});
beforeEach(() => setDisabled(test.db, teacher, helper.id, false));
afterAll(async () => {
  await closePasswords();
  await test.drop();
});

const { email, password } = school.helper;
const signedIn = async () => (await signInStaff(test.db, email, password)).ok;
const sessionsOfHelper = () => test.db.$count(sessions, eq(sessions.userId, helper.id));
const newcomer = { name: 'Mr Alder', email: 'Alder@wrenfield.example', password: 'twelve letters' };

describe('a colleague whose door is closed', () => {
  it('is signed out everywhere and cannot come in, until it is opened again', async () => {
    expect(await signedIn()).toBe(true);
    await setDisabled(test.db, teacher, helper.id, true);
    expect(await sessionsOfHelper()).toBe(0);
    expect(await signedIn()).toBe(false);
    await expect(resetLink(test.db, teacher, helper.id)).rejects.toThrow('Open the door');
    await setDisabled(test.db, teacher, helper.id, false);
    expect(await signedIn()).toBe(true);
  });

  it('is also a helper who was taken off the last class, until there is one to help again', async () => {
    await signedIn();
    await removeHelper(test.db, teacher, wren, helper.id);
    expect([await sessionsOfHelper(), await signedIn()]).toEqual([0, false]);
    await addHelper(test.db, teacher, wren, { name: '', email });
    expect(await signedIn()).toBe(true);
  });

  it('is never oneself, and closed by teachers alone', async () => {
    await expect(setDisabled(test.db, teacher, teacher.id, true)).rejects.toThrow('ask a colleague');
    await expect(setDisabled(test.db, helper, teacher.id, true)).rejects.toThrow(NotAllowed);
    await expect(setDisabled(test.db, teacher, (await test.person('Asha')).id, true)).rejects.toThrow(
      NotAllowed,
    );
  });
});

describe('a link', () => {
  it('invites a colleague once, of two who use it one', async () => {
    const token = await inviteStaff(test.db, teacher, 'teacher');
    expect(await entryBy(test.db, token)).toMatchObject({ role: 'teacher', name: null });
    expect(JSON.stringify(await test.db.select().from(entryLinks))).not.toContain(token);
    await expect(enter(test.db, token, { ...newcomer, password: 'short' })).rejects.toThrow('at least 10');
    const twice = await Promise.allSettled([
      enter(test.db, token, newcomer),
      enter(test.db, token, { ...newcomer, email: 'late@wrenfield.example' }),
    ]);
    expect(twice.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
    await expect(entryBy(test.db, token)).rejects.toThrow(NotAllowed);
    const staff = await staffOf(test.db, teacher);
    expect(staff.filter(({ role, name }) => role === 'teacher' && name === newcomer.name)).toHaveLength(1);
  });

  it('invites a helper into a class, and takes no address twice', async () => {
    await expect(inviteStaff(test.db, teacher, 'helper')).rejects.toThrow('which class');
    await expect(inviteStaff(test.db, helper, 'teacher')).rejects.toThrow(NotAllowed);
    const token = await inviteStaff(test.db, teacher, 'helper', wren);
    await expect(enter(test.db, token, { ...newcomer, email })).rejects.toThrow('already');
    await enter(test.db, token, { ...newcomer, name: 'Mx Fir', email: 'fir@wrenfield.example' });
    const fir = (await staffOf(test.db, teacher)).find(({ name }) => name === 'Mx Fir')!;
    expect(fir).toMatchObject({ role: 'helper', classes: ['Year 8, Wren group'] });
  });

  it('gives a new password, ends what was signed in, and is over when another is made or its time is', async () => {
    const first = await resetLink(test.db, teacher, helper.id);
    const second = await resetLink(test.db, teacher, helper.id);
    await expect(entryBy(test.db, first)).rejects.toThrow(NotAllowed);
    await signedIn();
    await enter(test.db, second, { password: 'another password' });
    expect([await sessionsOfHelper(), await signedIn()]).toEqual([0, false]);
    expect((await signInStaff(test.db, email, 'another password')).ok).toBe(true);
    const third = await resetLink(test.db, teacher, helper.id);
    await test.db.update(entryLinks).set({ expiresAt: new Date(Date.now() - 1000) });
    await expect(enter(test.db, third, { password: 'a third password' })).rejects.toThrow(NotAllowed);
    await enter(test.db, await resetLink(test.db, teacher, helper.id), { password });
    expect(await signedIn()).toBe(true);
  });
});

describe('one’s own sign-in', () => {
  it('is changed with what it was, and other devices are signed out', async () => {
    await signedIn();
    await signedIn();
    const [here, other] = await sessionsOf(test.db, helper);
    const change = { before: 'wrong', next: 'quite another', sessionId: here.id };
    await expect(changePassword(test.db, helper, change)).rejects.toThrow('not your password');
    await expect(changePassword(test.db, helper, { ...change, next: 'short' })).rejects.toThrow('at least');
    await changePassword(test.db, helper, { ...change, before: password });
    expect((await sessionsOf(test.db, helper)).map(({ id }) => id)).toEqual([here.id]);
    await endOwn(test.db, teacher, { sessionId: other.id });
    await changePassword(test.db, helper, { ...change, before: 'quite another', next: password });
  });

  it.each(['12345', '111111', '121212', '234567', '876543', 'abcdef'])('is no PIN %s', async (next) => {
    const asha = await test.person('Asha');
    const change = { before: school.studentPin, next, sessionId: 'none' };
    await expect(changePassword(test.db, asha, change)).rejects.toThrow('PIN');
  });

  it('ends one session of one’s own, and nobody else’s', async () => {
    await signedIn();
    const [{ id }] = await sessionsOf(test.db, helper);
    await endOwn(test.db, teacher, { sessionId: id });
    expect((await sessionsOf(test.db, helper)).map((session) => session.id)).toContain(id);
    await endOwn(test.db, helper, { sessionId: id });
    expect((await sessionsOf(test.db, helper)).map((session) => session.id)).not.toContain(id);
    expect(await test.db.$count(users, eq(users.id, helper.id))).toBe(1);
  });
});
