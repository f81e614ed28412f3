import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { printers, runs } from '../platform/db/schema/index.ts';
import { school } from '../demo/school.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { careBooks, careOfPrinters, noteCare } from './care.ts';

let test: TestDatabase;
let helper: Person;
let alder: string;

beforeAll(async () => {
  test = await demoSchool();
  helper = await test.person(school.helper.name);
  [{ id: alder }] = await test.db.select().from(printers).where(eq(printers.name, 'Alder'));
});
afterAll(() => test.drop());

const stateOf = async (kind: string) =>
  (await careOfPrinters(test.db, helper)).find((state) => state.printerId === alder && state.kind === kind)!;

it('counts hours and grams since something was looked after, each by itself', async () => {
  const [run] = await test.db.select().from(runs).where(eq(runs.printerId, alder)).limit(1);
  // Of what is on record, one run took two hours and was whole.
  const endedAt = new Date(Date.now() - 3600_000);
  const startedAt = new Date(endedAt.getTime() - 2 * 3600_000);
  await test.db.update(runs).set({ endedAt: null }).where(eq(runs.printerId, alder));
  await test.db
    .update(runs)
    .set({ state: 'finished', progress: 1, startedAt, endedAt })
    .where(eq(runs.id, run.id));
  const before = await stateOf('nozzle');
  expect(before.hours).toBeCloseTo(2, 6);
  expect(before).toMatchObject({ since: null, by: null });

  await noteCare(test.db, helper, alder, { kind: 'nozzle', note: 'brushed, ół' });
  expect(await stateOf('nozzle')).toMatchObject({ hours: 0, grams: 0, note: 'brushed, ół', by: helper.name });
  expect((await stateOf('belts')).hours).toBeCloseTo(2, 6);
  const [entry] = (await careBooks(test.db, helper)).filter(({ printerId }) => printerId === alder);
  expect(entry).toMatchObject({ kind: 'nozzle', note: 'brushed, ół', by: helper.name });
});

it('is written down by the print room alone, of printers that there are, and of what can be looked after', async () => {
  const student = await test.person('Asha');
  await expect(careOfPrinters(test.db, student)).rejects.toThrow(NotAllowed);
  await expect(noteCare(test.db, student, alder, { kind: 'nozzle' })).rejects.toThrow(NotAllowed);
  await expect(noteCare(test.db, helper, alder, { kind: 'heart' })).rejects.toThrow('what was looked after');
  const nobody = '0b0e6f2c-0000-4000-8000-000000000000';
  await expect(noteCare(test.db, helper, nobody, { kind: 'plate' })).rejects.toThrow(NotAllowed);
});
