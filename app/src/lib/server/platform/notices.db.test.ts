import { and, desc, eq } from 'drizzle-orm';
import { afterAll, beforeAll, beforeEach, expect, it } from 'vitest';
import type { Person } from './auth/access.ts';
import { compute } from './compute/compute.ts';
import {
  handIns,
  notices,
  batchParts,
  printers,
  projects,
  queueEntries,
  runs,
  teamMembers,
} from './db/schema/index.ts';
import { school } from '../demo/school.ts';
import { handIn } from '../handIns/handIns.ts';
import { inspectHandIn } from '../handIns/inspectHandIn.ts';
import { noticesOf, seeNotices, tellTeacher, unseenCount } from './notices.ts';
import { layBatch } from '../printing/batches/laying.ts';
import { joinQueue } from '../printing/queue/lifecycle.ts';
import { endRun, type Ending } from '../printing/runs/endRun.ts';
import { startBatch } from '../printing/runs/startBatch.ts';
import { startChecks } from '../../shared/startChecks.ts';
import { sendBack, undoDecision } from '../review/decide.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';

let test: TestDatabase;
let teacher: Person;
beforeAll(async () => {
  test = await demoSchool();
  teacher = await test.person(school.teacher.name);
});
beforeEach(() => test.db.delete(notices));
afterAll(async () => {
  await compute().close();
  await test.drop();
});

const told = async (person: Person) =>
  (await noticesOf(test.db, person)).map(({ kind, count, isNew }) => ({ kind, count, isNew }));
const lastOf = async (student: Person) => {
  const { id } = await test.projectOf(student);
  const [last] = await test.db
    .select()
    .from(handIns)
    .where(eq(handIns.projectId, id))
    .orderBy(desc(handIns.number));
  return last;
};

it('tells the teacher of hand-ins, counted until they are seen, and once each', async () => {
  for (const name of ['Luca', 'Maren']) {
    const student = await test.person(name);
    const { id, revision } = await test.projectOf(student);
    await inspectHandIn(test.db, await handIn(test.db, student, id, revision));
  }
  const luca = await lastOf(await test.person('Luca'));
  expect(luca.state).toBe('waiting');
  // Maren's label fails and nothing was said for it, so it never came to the teacher.
  const maren = await test.person('Maren');
  expect((await lastOf(maren)).state).toBe('refused');
  expect(await told(maren)).toEqual([{ kind: 'refused', count: 1, isNew: true }]);
  const [{ briefId }] = await test.db.select().from(projects);
  await tellTeacher(test.db, briefId, 'handed_in');
  expect(await told(teacher)).toEqual([{ kind: 'handed_in', count: 2, isNew: true }]);
  expect(await unseenCount(test.db, teacher)).toBe(1);
  await seeNotices(test.db, teacher);
  expect(await unseenCount(test.db, teacher)).toBe(0);

  // By another card it is inspected anew, which is no second hand-in.
  await test.db.update(handIns).set({ state: 'checking' }).where(eq(handIns.id, luca.id));
  await inspectHandIn(test.db, luca.id);
  expect(await told(teacher)).toEqual([{ kind: 'handed_in', count: 2, isNew: false }]);
  await tellTeacher(test.db, briefId, 'handed_in');
  expect(await told(teacher)).toMatchObject([{ count: 1, isNew: true }, { isNew: false }]);
});

it('tells a whole team what was decided, and takes that back when it is undone', async () => {
  const [dario, noor] = await Promise.all(['Dario', 'Noor'].map((name) => test.person(name)));
  const { id, projectId } = await lastOf(dario);
  await test.db.insert(teamMembers).values({ projectId, studentId: noor.id });
  await sendBack(test.db, teacher, id, 'A smaller hole.');
  for (const person of [dario, noor]) {
    expect(await told(person)).toEqual([{ kind: 'sent_back', count: 1, isNew: true }]);
  }
  await seeNotices(test.db, noor);
  await undoDecision(test.db, teacher, id);
  expect(await told(dario)).toEqual([]);
  expect(await told(noor)).toEqual([{ kind: 'sent_back', count: 1, isNew: false }]);
});

it('tells a student when the last copy is printed, and the teacher when a print failed', async () => {
  const ines = await test.person('Ines');
  const [run] = await test.db.select().from(runs).where(eq(runs.state, 'preparing'));
  const [place] = await test.db.select().from(batchParts).where(eq(batchParts.batchId, run.batchId));
  const [entry] = await test.db.select().from(queueEntries).where(eq(queueEntries.id, place.queueEntryId));
  await joinQueue(test.db, teacher, entry.printFileId, 2);
  await endRun(test.db, run.id, { state: 'finished' });
  expect(await told(ines)).toEqual([]);
  const second = and(eq(queueEntries.printFileId, entry.printFileId), eq(queueEntries.state, 'waiting'));
  const [{ id: secondId }] = await test.db.select().from(queueEntries).where(second);
  const { batchId } = await layBatch(test.db, teacher, [secondId]);
  const status = { online: true, nozzleC: 20, nozzleTargetC: 0, bedC: 20, bedTargetC: 0 };
  await test.db.update(printers).set({ status });
  const printed = async (ending: Ending) => {
    await startBatch(test.db, teacher, batchId, run.printerId, startChecks);
    const [next] = await test.db.select().from(runs).where(eq(runs.state, 'preparing'));
    await endRun(test.db, next.id, ending);
  };
  await printed({ state: 'failed', problem: 'The heater failed.' });
  expect(await told(teacher)).toEqual([{ kind: 'run_failed', count: 1, isNew: true }]);
  await printed({ state: 'finished' });
  expect(await told(ines)).toEqual([{ kind: 'printed', count: 1, isNew: true }]);
});
