import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { NotAllowed, type Person } from './auth/access.ts';
import { addStaff } from './auth/people.ts';
import { briefToEdit, copyBrief, createBrief, deleteBrief, saveBrief } from './briefs.ts';
import { auditLog, briefs, classes } from './db/schema/index.ts';
import { school } from './demo/school.ts';
import { createClass } from './people/newClass.ts';
import { demoSchool, type TestDatabase } from './testing/database.ts';

let test: TestDatabase;
let teacher: Person;
let wren: string;
let labels: string;
beforeAll(async () => {
  test = await demoSchool();
  teacher = await test.person(school.teacher.name);
  [{ id: wren }] = await test.db.select().from(classes);
  [{ id: labels }] = await test.db.select().from(briefs);
});
afterAll(() => test.drop());

const draft = {
  title: 'Cane clips',
  task: 'Design a clip.',
  dueOn: '2026-12-11',
  rules: { forSmallHands: true, requirements: [{ kind: 'object', acrossMm: 8, fit: 'snug' }] },
  guidance: [
    { id: 'p1', words: 'Measure your cane.', until: { kind: 'measure', name: 'cane', how: 'used' } },
  ],
};

it('is created, written and read again', async () => {
  const id = await createBrief(test.db, teacher, wren);
  await saveBrief(test.db, teacher, id, draft);
  const { brief, begun, className } = await briefToEdit(test.db, teacher, id);
  expect(brief).toMatchObject(draft);
  expect([begun, className]).toEqual([0, school.className]);
  const log = await test.db.select().from(auditLog).where(eq(auditLog.subjectId, id));
  expect(log.map(({ action }) => action)).toEqual(['create-brief', 'edit-brief']);
});

it.each([
  [{ title: '  ' }, 'Title: give it a title.'],
  [{ dueOn: 'soon' }, 'Due date: that is no date.'],
  [{ rules: { requirements: [{ kind: 'hole', reach: 'any', atLeastMm: -3 }] } }, /^Requirements: /],
  [{ rules: { wishes: 1 } }, /^Requirements: /],
  [{ stranger: true }, /^The brief: /],
])('refuses %j in a sentence and keeps what it was', async (change, message) => {
  await expect(saveBrief(test.db, teacher, labels, { ...draft, ...change })).rejects.toThrow(message);
  const { brief } = await briefToEdit(test.db, teacher, labels);
  expect(brief.title).toBe(school.brief.title);
});

it('is copied for another class with its starter and requirements, and without the date', async () => {
  const other = await createClass(test.db, teacher, 'Year 8, Kite group');
  const copy = await copyBrief(test.db, teacher, labels, other);
  const [{ brief: from }, { brief: to, begun }] = [
    await briefToEdit(test.db, teacher, labels),
    await briefToEdit(test.db, teacher, copy),
  ];
  expect(to).toEqual({ ...from, id: copy, classId: other, dueOn: null });
  expect(begun).toBe(0);
});

it('is deleted while nobody has begun it, and not after', async () => {
  const id = await createBrief(test.db, teacher, wren);
  await deleteBrief(test.db, teacher, id);
  await expect(briefToEdit(test.db, teacher, id)).rejects.toThrow(NotAllowed);
  await expect(deleteBrief(test.db, teacher, labels)).rejects.toThrow('13 students have begun this brief');
});

it('is touched by nobody but its own teacher', async () => {
  const person = { name: 'Mr Rook', email: 'rook@wrenfield.example', password: 'another key' };
  const id = await addStaff(test.db, { ...person, role: 'teacher' });
  const strangers: Person[] = [
    { id, name: person.name, role: 'teacher' },
    await test.person(school.helper.name),
    await test.person('Asha'),
  ];
  for (const stranger of strangers) {
    for (const attempt of [
      () => briefToEdit(test.db, stranger, labels),
      () => createBrief(test.db, stranger, wren),
      () => saveBrief(test.db, stranger, labels, draft),
      () => copyBrief(test.db, stranger, labels, wren),
      () => deleteBrief(test.db, stranger, labels),
    ])
      await expect(attempt()).rejects.toThrow(NotAllowed);
  }
});
