import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { NotAllowed, type Person } from './auth/access.ts';
import { logOf, record, schoolLog } from './audit.ts';
import { classes } from './db/schema/index.ts';
import { school } from '../demo/school.ts';
import { addSpool } from '../printers/spools.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';

let test: TestDatabase;
let teacher: Person;
let wren: string;
beforeAll(async () => {
  test = await demoSchool();
  teacher = await test.person(school.teacher.name);
  [{ id: wren }] = await test.db.select().from(classes).where(eq(classes.name, school.className));
});
afterAll(() => test.drop());

it('tells who did what to whom, the newest first', async () => {
  const { lines, className } = await logOf(test.db, teacher, wren);
  expect(className).toBe(school.className);
  const told = lines.map(({ who, did, about }) => `${who} ${did}: ${about}`);
  expect(told).toContain('Femi handed in: Femi, v1');
  expect(told).toContain('Ms Fenwick approved a hand-in: Femi, v1');
  expect(told.indexOf('Ms Fenwick approved a hand-in: Femi, v1')).toBeLessThan(
    told.indexOf('Femi handed in: Femi, v1'),
  );
});

it('names people and briefs, and nothing of what is gone', async () => {
  const luca = await test.person('Luca');
  const { briefId } = await test.projectOf(luca);
  await record(test.db, teacher, 'reset-pin', wren, [luca.id]);
  await record(test.db, teacher, 'edit-brief', wren, [briefId]);
  await record(test.db, { ...teacher, id: 'nobody' }, 'delete-student', wren, ['nobody either']);
  const { lines } = await logOf(test.db, teacher, wren);
  expect(lines.slice(0, 3).map(({ who, about }) => [who, about])).toEqual([
    [null, null],
    [teacher.name, school.brief.title],
    [teacher.name, 'Luca'],
  ]);
});

it('is told page by page', async () => {
  const many = Array.from({ length: 120 }, (_, i) => `subject ${i}`);
  await record(test.db, teacher, 'edit-brief', wren, many);
  const first = await logOf(test.db, teacher, wren);
  expect(first.lines).toHaveLength(100);
  const second = await logOf(test.db, teacher, wren, first.more);
  expect(second.lines[0].id).toBeLessThan(first.lines[99].id);
  expect(second.more).toBeUndefined();
});

it('is read by the class’s own teacher', async () => {
  for (const person of [await test.person('Luca'), await test.person(school.helper.name)]) {
    await expect(logOf(test.db, person, wren)).rejects.toThrow(NotAllowed);
  }
});

it('tells of the print room, cards and the door in the log of the school, sign-ins only when they are asked for', async () => {
  const spool = await addSpool(test.db, teacher, { material: 'PLA', colour: '#ffffff', colourName: 'white', gramsLeft: 900, pricePerKg: null }); // oxfmt-ignore
  const luca = await test.person('Luca');
  await record(test.db, luca, 'sign-in', null, [luca.id]);
  const told = async (withSignIns: boolean) =>
    (await schoolLog(test.db, teacher, { withSignIns })).lines.map(
      ({ who, did, about }) => `${who} ${did}: ${about}`,
    );
  expect((await told(false))[0]).toBe(`Ms Fenwick noted a new spool: spool ${spool}`);
  expect((await told(true))[0]).toBe('Luca signed in: Luca');
  await expect(schoolLog(test.db, luca, { withSignIns: true })).rejects.toThrow(NotAllowed);
});
