import { eq, inArray, isNull, or } from 'drizzle-orm';
import { starters } from '@kelbrin/core/starters';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { signInStaff, signInStudent } from '../platform/auth/signIn.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import { compute } from '../platform/compute/compute.ts';
import {
  auditLog,
  classes,
  classMembers,
  handIns,
  pictures,
  printFiles,
  projects,
  queueEntries,
  sessions,
  solids,
  users,
  versions,
} from '../platform/db/schema/index.ts';
import { MOST_STUDENTS } from '../../shared/studentList.ts';
import { school } from '../demo/school.ts';
import { pictureOf } from '../projects/pictures.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { addListed, moveStudents, peopleOf, renameStudent, resetPins, setArchived } from './classPeople.ts';
import { deleteStudent } from './deleteStudent.ts';
import { addHelper, removeHelper } from './helpers.ts';
import { createClass } from './newClass.ts';

let test: TestDatabase;
let teacher: Person;
let wren: string;
let other: string;
beforeAll(async () => {
  test = await demoSchool();
  teacher = await test.person(school.teacher.name);
  [{ id: wren }] = await test.db.select().from(classes);
});
afterAll(async () => {
  await compute().close();
  await test.drop();
});
beforeEach(async () => {
  other = await createClass(test.db, teacher, 'Year 9, Owl group');
});

const codeOf = async (id: string) => (await test.db.select().from(classes).where(eq(classes.id, id)))[0].code;
const students = async (id: string) => (await peopleOf(test.db, teacher, id)).students;

describe('a list of students', () => {
  it('adds them all, each with a PIN that opens the door', async () => {
    const cards = await addListed(test.db, teacher, other, 'Ada Okafor\nBen Lind,benl,424242');
    expect(cards).toEqual([
      { name: 'Ada Okafor', signInName: 'ada', pin: expect.stringMatching(/^\d{6}$/) },
      { name: 'Ben Lind', signInName: 'benl', pin: '424242' },
    ]);
    const code = await codeOf(other);
    for (const { signInName, pin } of cards) {
      expect(await signInStudent(test.db, code, signInName, pin)).toMatchObject({ ok: true });
    }
    const names = await students(other);
    expect(names.map(({ name }) => name)).toEqual(['Ada Okafor', 'Ben Lind']);
    const log = await test.db.select().from(auditLog).where(eq(auditLog.classId, other));
    expect(log.map(({ action }) => action)).toEqual(['create-class', 'add-student', 'add-student']);
  });

  it('adds nobody when a line is wrong, and says which', async () => {
    const adding = addListed(test.db, teacher, other, 'Ada Okafor\nBen Lind,benl,42');
    await expect(adding).rejects.toThrow('Line 2: “42” is no PIN: that has six digits. Nobody was added.');
    expect(await students(other)).toEqual([]);
    await expect(addListed(test.db, teacher, wren, 'Another Asha,asha')).rejects.toThrow(/taken by someone/);
    await expect(addListed(test.db, teacher, other, '\n \n')).rejects.toThrow(CannotNow);
  });

  it('gives a sign-in name once when it is added twice at once', async () => {
    const both = await Promise.allSettled([
      addListed(test.db, teacher, other, 'Ada,ada'),
      addListed(test.db, teacher, other, 'Ada,ada'),
    ]);
    expect(both.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    expect(await students(other)).toHaveLength(1);
  });
});

describe('a student', () => {
  beforeEach(() => addListed(test.db, teacher, other, 'Ada Okafor,ada,111111\nBen Lind,ben,222222'));
  const idOf = async (name: string) => (await students(other)).find((each) => each.name === name)!.id;

  it('gets a new PIN that ends the old one and every session', async () => {
    const code = await codeOf(other);
    const ada = await idOf('Ada Okafor');
    await signInStudent(test.db, code, 'ada', '111111');
    const [card] = await resetPins(test.db, teacher, other, [ada]);
    expect(await test.db.select().from(sessions).where(eq(sessions.userId, ada))).toEqual([]);
    expect(await signInStudent(test.db, code, 'ada', '111111')).toMatchObject({ ok: card.pin === '111111' });
    expect(await signInStudent(test.db, code, 'ada', card.pin)).toMatchObject({ ok: true });
  });

  it('cannot sign in while archived, and can again when taken back', async () => {
    const code = await codeOf(other);
    const ada = await idOf('Ada Okafor');
    await setArchived(test.db, teacher, other, [ada], true);
    expect(await signInStudent(test.db, code, 'ada', '111111')).toMatchObject({ ok: false });
    expect((await students(other)).map(({ name, isArchived }) => [name, isArchived])).toEqual([
      ['Ben Lind', false],
      ['Ada Okafor', true],
    ]);
    await setArchived(test.db, teacher, other, [ada], false);
    expect(await signInStudent(test.db, code, 'ada', '111111')).toMatchObject({ ok: true });
  });

  it('moves to another class, unless somebody there has the sign-in name', async () => {
    const owls = await createClass(test.db, teacher, 'Year 9, Kite group');
    const ada = await idOf('Ada Okafor');
    await moveStudents(test.db, teacher, other, [ada], owls);
    expect(await signInStudent(test.db, await codeOf(owls), 'ada', '111111')).toMatchObject({ ok: true });
    expect(await signInStudent(test.db, await codeOf(other), 'ada', '111111')).toMatchObject({ ok: false });
    await addListed(test.db, teacher, other, 'Ada Lind,ada');
    const second = await idOf('Ada Lind');
    await expect(moveStudents(test.db, teacher, other, [second], owls)).rejects.toThrow(/Nobody was moved/);
  });

  it('moves to no class that is full', async () => {
    const many = Array.from({ length: MOST_STUDENTS }, (_, i) => `of a full class ${i}`);
    await test.db
      .insert(users)
      .values(
        many.map((id) => ({ id, name: id, email: `${id}@students.invalid`, role: 'student' as const })),
      );
    const full = await createClass(test.db, teacher, 'Year 9, Finch group');
    await test.db
      .insert(classMembers)
      .values(many.map((id, i) => ({ classId: full, userId: id, signInName: `s${i}` })));
    await expect(moveStudents(test.db, teacher, other, [await idOf('Ben Lind')], full)).rejects.toThrow(
      'more than 60 students',
    );
  });

  it('is called something else', async () => {
    await renameStudent(test.db, teacher, other, await idOf('Ada Okafor'), '  Ada  Okafor-Lind ');
    expect((await students(other)).map(({ name }) => name)).toContain('Ada Okafor-Lind');
    const ben = await idOf('Ben Lind');
    await expect(renameStudent(test.db, teacher, other, ben, ' ')).rejects.toThrow(CannotNow);
  });

  it('is deleted with all traces, but not while a part is on a printer', async () => {
    const hugo = await test.person('Hugo');
    const [project] = await test.db.select().from(projects).where(eq(projects.studentId, hugo.id));
    const [handIn] = await test.db.select().from(handIns).where(eq(handIns.projectId, project.id));
    await deleteStudent(test.db, teacher, wren, hugo.id);
    const left = [
      await test.db.select().from(users).where(eq(users.id, hugo.id)),
      await test.db.select().from(versions).where(eq(versions.projectId, project.id)),
      await test.db.select().from(solids).where(eq(solids.hash, handIn.solidHash!)),
      await test.db.select().from(printFiles).where(eq(printFiles.handInId, handIn.id)),
      await test.db.select().from(pictures).where(eq(pictures.projectId, project.id)),
      await test.db
        .select()
        .from(auditLog)
        .where(or(eq(auditLog.actorId, hugo.id), inArray(auditLog.subjectId, [handIn.id]))),
    ];
    expect(left).toEqual([[], [], [], [], [], []]);
    const log = await test.db.select().from(auditLog).where(eq(auditLog.subjectId, hugo.id));
    expect(log.map(({ action, actorId }) => [action, actorId])).toEqual([['delete-student', teacher.id]]);

    const ines = await test.person('Ines');
    await expect(deleteStudent(test.db, teacher, wren, ines.id)).rejects.toThrow(/is on a printer/);
    expect((await test.db.select().from(queueEntries)).length).toBeGreaterThan(0);
  });
});

it('pictures of examples belong to nobody, and are drawn once', async () => {
  const [{ recipe }] = starters;
  const nobodys = () => test.db.$count(pictures, isNull(pictures.projectId));
  const before = await nobodys();
  const first = await pictureOf(test.db, undefined, recipe, { colour: '#3f8f5f' });
  const again = await pictureOf(test.db, undefined, recipe, { colour: '#3f8f5f' });
  expect(again.hash).toBe(first.hash);
  expect(Buffer.from(await first.png()).equals(await again.png())).toBe(true);
  expect(await nobodys()).toBe(before + 1);
});

it('pictures in rows of a list are smaller than those on cards', async () => {
  const [{ recipe }] = starters;
  const drawn = async (size?: 'row') =>
    (await pictureOf(test.db, undefined, recipe, { colour: '#3f8f5f', size })).png();
  const widthOf = (png: Uint8Array) => Buffer.from(png).readUInt32BE(16);
  const [card, row] = [await drawn(), await drawn('row')];
  expect(widthOf(row)).toBeLessThan(widthOf(card) * 0.7);
  expect(row.length).toBeLessThan(card.length * 0.8);
});

describe('a helper', () => {
  it('is added by name and address with a password of their own, and known in other classes', async () => {
    const wanted = { name: 'Mx Sorrel', email: 'Sorrel@wrenfield.example' };
    const { password } = await addHelper(test.db, teacher, other, wanted);
    expect(await signInStaff(test.db, wanted.email, password!)).toMatchObject({ ok: true });
    expect(await addHelper(test.db, teacher, wren, { name: '', email: wanted.email })).toEqual({
      email: 'sorrel@wrenfield.example',
      password: undefined,
    });
    const { helpers } = await peopleOf(test.db, teacher, other);
    expect(helpers.map(({ name }) => name)).toEqual(['Mx Sorrel']);
    await removeHelper(test.db, teacher, other, helpers[0].id);
    expect((await peopleOf(test.db, teacher, other)).helpers).toEqual([]);
  });

  it('is no teacher, and has an address', async () => {
    const adding = (email: string) => addHelper(test.db, teacher, other, { name: 'X', email });
    await expect(adding(school.teacher.email)).rejects.toThrow(/is a teacher/);
    await expect(adding('nobody')).rejects.toThrow(/no e-mail address/);
  });
});

it('lets nobody but the class’s own teacher change its people', async () => {
  const strangers: Person[] = [
    await test.otherTeacher(),
    await test.person(school.helper.name),
    await test.person('Asha'),
  ];
  const asha = (await test.person('Asha')).id;
  const helper = (await test.person(school.helper.name)).id;
  for (const person of strangers) {
    for (const attempt of [
      () => peopleOf(test.db, person, wren),
      () => addListed(test.db, person, wren, 'Ada'),
      () => renameStudent(test.db, person, wren, asha, 'X'),
      () => resetPins(test.db, person, wren, [asha]),
      () => setArchived(test.db, person, wren, [asha], true),
      () => moveStudents(test.db, person, wren, [asha], other),
      () => deleteStudent(test.db, person, wren, asha),
      () => addHelper(test.db, person, wren, { name: 'X', email: 'x@wrenfield.example' }),
      () => removeHelper(test.db, person, wren, helper),
    ])
      await expect(attempt()).rejects.toThrow(NotAllowed);
  }
  // A student of another class is not there either.
  await expect(resetPins(test.db, teacher, other, [asha])).rejects.toThrow(NotAllowed);
  await expect(createClass(test.db, strangers[2], 'Mine')).rejects.toThrow(NotAllowed);
});
