import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import type { BenchReport } from '../../shared/benchReport.ts';
import { NotAllowed, projectToWatch, type Person } from '../platform/auth/access.ts';
import { failings } from '../platform/db/schema/index.ts';
import { school } from '../demo/school.ts';
import { askForHelp, lessonOf, noteHelped, savePulse, tickPrompt } from './lesson.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';

let test: TestDatabase;
let teacher: Person;
let luca: Person;
let noor: Person;
let briefId: string;
beforeAll(async () => {
  test = await demoSchool();
  [teacher, luca, noor] = await Promise.all(
    [school.teacher.name, 'Luca', 'Noor'].map((name) => test.person(name)),
  );
  briefId = (await test.projectOf(luca)).briefId;
});
afterAll(() => test.drop());

const report: BenchReport = {
  steps: 5,
  verdict: 'fail',
  failing: ['hole'],
  promptsDone: 2,
  nextPrompt: 'hole',
};
const learner = async (student: Person) =>
  (await lessonOf(test.db, teacher, briefId)).learners.find(({ studentId }) => studentId === student.id)!;

it('shows everyone of the class, and what each bench last said of itself', async () => {
  const { id } = await test.projectOf(luca);
  await savePulse(test.db, luca, id, report);
  await savePulse(test.db, luca, id, { ...report, steps: 6 });
  expect((await learner(luca)).project).toMatchObject({
    id,
    state: 'designing',
    report: { ...report, steps: 6 },
  });
  expect((await learner(noor)).project).toBeUndefined();
  const { learners } = await lessonOf(test.db, teacher, briefId);
  expect(learners.map(({ name }) => name)).not.toContain(school.helper.name);
});

it('notes for how long a check fails, and takes no check from a bench that there is not', async () => {
  const { id } = await test.projectOf(luca);
  const noted = () =>
    test.db.select().from(failings).where(eq(failings.projectId, id)).orderBy(failings.since, failings.check);
  await test.db.delete(failings);
  await savePulse(test.db, luca, id, { ...report, failing: ['hole', 'wall', '<script>'] });
  await savePulse(test.db, luca, id, { ...report, failing: ['hole'] });
  // A recipe that cannot be built says nothing of what fails.
  await savePulse(test.db, luca, id, { ...report, verdict: null, failing: [] });
  expect(await noted()).toMatchObject([
    { check: 'hole', until: null },
    { check: 'wall', until: expect.any(Date) },
  ]);
  await savePulse(test.db, luca, id, { ...report, verdict: 'pass', failing: [] });
  await savePulse(test.db, luca, id, { ...report, failing: ['wall'] });
  expect((await noted()).map(({ check, until }) => `${check} ${until === null}`).sort()).toEqual([
    'hole false',
    'wall false',
    'wall true',
  ]);
});

it('keeps the place of somebody who asks for help twice, until somebody has helped', async () => {
  const { id } = await test.projectOf(luca);
  await askForHelp(test.db, luca, id, true);
  const { helpAskedAt } = (await learner(luca)).project!;
  expect(helpAskedAt).toBeInstanceOf(Date);
  await askForHelp(test.db, luca, id, true);
  expect((await learner(luca)).project!.helpAskedAt).toEqual(helpAskedAt);
  await noteHelped(test.db, teacher, id);
  expect((await learner(luca)).project!.helpAskedAt).toBeNull();
});

it('keeps the prompts that were ticked off, each once, and none that the brief does not have', async () => {
  const { id } = await test.projectOf(luca);
  const ticked = async () => (await test.projectOf(luca)).tickedPrompts;
  await tickPrompt(test.db, luca, id, 'tray', true);
  await tickPrompt(test.db, luca, id, 'tray', true);
  await tickPrompt(test.db, luca, id, 'magic', true);
  expect(await ticked()).toEqual(['tray']);
  await tickPrompt(test.db, luca, id, 'tray', false);
  expect(await ticked()).toEqual([]);
});

it('is for the class’s own teacher, and a bench for its own student', async () => {
  const { id } = await test.projectOf(luca);
  const asha = await test.person('Asha');
  const helper = await test.person(school.helper.name);
  const stranger = await test.otherTeacher();
  for (const person of [asha, helper, stranger]) {
    await expect(lessonOf(test.db, person, briefId)).rejects.toThrow(NotAllowed);
    await expect(projectToWatch(test.db, person, id)).rejects.toThrow(NotAllowed);
    await expect(noteHelped(test.db, person, id)).rejects.toThrow(NotAllowed);
    await expect(savePulse(test.db, person, id, report)).rejects.toThrow(NotAllowed);
    await expect(askForHelp(test.db, person, id, true)).rejects.toThrow(NotAllowed);
    await expect(tickPrompt(test.db, person, id, 'tray', true)).rejects.toThrow(NotAllowed);
  }
});
