import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { starters } from '@kelbrin/core/starters';
import { TASK_PICTURES, taskOf, type TaskText } from '../../shared/taskText.ts';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { briefToEdit, copyBrief, createBrief, deleteBrief, saveBrief } from './briefs.ts';
import { dropKeptBrief, keepBrief, keptBriefsOf, setKeptBrief } from './briefLibrary.ts';
import { auditLog, briefs, classes, taskPictures } from '../platform/db/schema/index.ts';
import { school } from '../demo/school.ts';
import { createClass } from '../people/newClass.ts';
import { SentBytes } from '../platform/sent/sentBytes.ts';
import { addTaskPicture, taskPicture } from './taskPictures.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { briefsOf, openProject } from '../projects/projects.ts';
import { onePixel } from '../testing/onePixel.ts';

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
  task: taskOf('Design a clip.\nIt holds a cane.'),
  starter: starters[1].recipe,
  copies: 2,
  dueOn: '2026-12-11',
  rules: { forSmallHands: true, requirements: [{ kind: 'object', acrossMm: 8, fit: 'snug' }] },
  guidance: [
    { id: 'p1', words: 'Measure your cane.', until: { kind: 'measure', name: 'cane', how: 'used' } },
  ],
};

const pictured = (hash: string): TaskText => ({
  type: 'doc',
  content: [{ type: 'image', attrs: { src: `${TASK_PICTURES}/${hash}`, alt: 'a sketch' } }],
});

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
  [{ starter: { format: 'kelbrin-recipe', version: 3, measures: [], steps: [{}] } }, /^What students begin/],
  [{ copies: 0 }, 'Copies: each part is printed once at least.'],
  [
    { task: { type: 'doc', content: [{ type: 'image', attrs: { src: 'https://tracker.example/a.png' } }] } },
    'Task: a picture has to be added with the button, not by its address.',
  ],
  [{ task: pictured('0'.repeat(64)) }, 'Task: a picture is not there any more, so add it again.'],
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

it('is kept in the library as it was, and set from there for another class', async () => {
  const id = await createBrief(test.db, teacher, wren);
  await saveBrief(test.db, teacher, id, draft);
  await keepBrief(test.db, teacher, id);
  await saveBrief(test.db, teacher, id, { ...draft, copies: 5 });
  const other = await createClass(test.db, teacher, 'Year 8, Tern group');
  const kept = (await keptBriefsOf(test.db, teacher)).find(({ title }) => title === draft.title)!;
  const set = await setKeptBrief(test.db, teacher, kept.id, other);
  const { brief } = await briefToEdit(test.db, teacher, set);
  expect(brief).toMatchObject({ ...draft, classId: other, dueOn: null, copies: 2 });

  // Kept again under its title it is what it is now, and is there once.
  await keepBrief(test.db, teacher, id);
  const again = (await keptBriefsOf(test.db, teacher)).filter(({ title }) => title === draft.title);
  expect(again).toMatchObject([{ id: kept.id, copies: 5 }]);
  await dropKeptBrief(test.db, teacher, kept.id);
  await expect(setKeptBrief(test.db, teacher, kept.id, other)).rejects.toThrow(NotAllowed);
  expect((await briefToEdit(test.db, teacher, set)).brief.title).toBe(draft.title);
});

describe('a picture in a task', () => {
  const large = new Uint8Array(2_000_001);

  it('is seen by the class that has the task, and by nobody else', async () => {
    const hash = await addTaskPicture(test.db, teacher, {
      name: 'sketch.png',
      sent: new SentBytes(onePixel),
    });
    const asha = await test.person('Asha');
    await expect(taskPicture(test.db, asha, hash)).rejects.toThrow(NotAllowed);
    const id = await createBrief(test.db, teacher, wren);
    await saveBrief(test.db, teacher, id, { ...draft, task: pictured(hash) });
    for (const person of [teacher, asha, await test.person(school.helper.name)]) {
      expect(await taskPicture(test.db, person, hash)).toMatchObject({ mediaType: 'image/png' });
    }
    const other = await test.otherTeacher();
    await expect(taskPicture(test.db, other, hash)).rejects.toThrow(NotAllowed);
    await expect(taskPicture(test.db, asha, '%')).rejects.toThrow(NotAllowed);
  });

  it('goes a day after no task mentions it any more, and stays for as long as one does', async () => {
    const lost = await addTaskPicture(test.db, teacher, {
      name: 'a.png',
      sent: new SentBytes(Uint8Array.of(...onePixel, 4)),
    });
    await test.db.update(taskPictures).set({ addedAt: new Date(Date.now() - 25 * 3600_000) });
    const before = await test.db.select().from(taskPictures);
    await addTaskPicture(test.db, teacher, {
      name: 'b.png',
      sent: new SentBytes(Uint8Array.of(...onePixel, 5)),
    });
    const hashes = (await test.db.select().from(taskPictures)).map(({ hash }) => hash);
    expect(hashes).not.toContain(lost);
    expect(hashes).toHaveLength(before.length);
  });

  it.each([
    [
      'a page that is called a picture',
      new TextEncoder().encode('<svg onload="alert(1)">'),
      ': this is no PNG, JPEG or WebP picture: save it as one of these',
    ],
    ['one that is too large', large, ' is larger than 2 MB: take a smaller picture'],
  ])('refuses %s', async (_, bytes, message) => {
    await expect(
      addTaskPicture(test.db, teacher, { name: 'x.png', sent: new SentBytes(bytes) }),
    ).rejects.toThrow(`x.png${message}.`);
  });
});

it('is in front of students once it was saved with a title, and not before', async () => {
  const asha = await test.person('Asha');
  const id = await createBrief(test.db, teacher, wren);
  const seen = async () => (await briefsOf(test.db, asha)).some((brief) => brief.id === id);
  expect(await seen()).toBe(false);
  await expect(openProject(test.db, asha, id)).rejects.toThrow(NotAllowed);
  await expect(saveBrief(test.db, teacher, id, { ...draft, title: ' ' })).rejects.toThrow('give it a title');
  expect(await seen()).toBe(false);
  await saveBrief(test.db, teacher, id, draft);
  expect(await seen()).toBe(true);
  await deleteBrief(test.db, teacher, id);
});

it('is deleted while nobody has begun it, and not after', async () => {
  const id = await createBrief(test.db, teacher, wren);
  await deleteBrief(test.db, teacher, id);
  await expect(briefToEdit(test.db, teacher, id)).rejects.toThrow(NotAllowed);
  await expect(deleteBrief(test.db, teacher, labels)).rejects.toThrow('13 students have begun this brief');
});

it('is touched by nobody but its own teacher', async () => {
  const strangers: Person[] = [
    await test.otherTeacher(),
    await test.person(school.helper.name),
    await test.person('Asha'),
  ];
  await keepBrief(test.db, teacher, labels);
  const [{ id: kept }] = await keptBriefsOf(test.db, teacher);
  expect(await keptBriefsOf(test.db, strangers[0])).toEqual([]);
  for (const stranger of strangers) {
    for (const attempt of [
      () => briefToEdit(test.db, stranger, labels),
      () => createBrief(test.db, stranger, wren),
      () => saveBrief(test.db, stranger, labels, draft),
      () => copyBrief(test.db, stranger, labels, wren),
      () => deleteBrief(test.db, stranger, labels),
      () => keepBrief(test.db, stranger, labels),
      () => setKeptBrief(test.db, stranger, kept, wren),
      () => dropKeptBrief(test.db, stranger, kept),
    ])
      await expect(attempt()).rejects.toThrow(NotAllowed);
  }
});
