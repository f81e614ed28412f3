import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it, vi } from 'vitest';
import { NotAllowed } from '../../platform/auth/access.ts';
import {
  batchParts,
  handIns,
  printFiles,
  projects,
  queueEntries,
  runs,
} from '../../platform/db/schema/index.ts';
import { demoStudents, school } from '../../demo/school.ts';
import { demoSchool, type TestDatabase } from '../../testing/database.ts';
import { RunWatch } from './runWatch.ts';
import { fileToWatch, newestRunsOf, runToWatch } from './watching.ts';

let test: TestDatabase;
/** A run of the demo school, and a part of it. */
let found: { runId: string; projectId: string; studentId: string; handInId: string };

beforeAll(async () => {
  test = await demoSchool();
  [found] = await test.db
    .select({
      runId: runs.id,
      projectId: projects.id,
      studentId: projects.studentId,
      handInId: handIns.id,
    })
    .from(runs)
    .innerJoin(batchParts, eq(batchParts.batchId, runs.batchId))
    .innerJoin(queueEntries, eq(queueEntries.id, batchParts.queueEntryId))
    .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .innerJoin(handIns, eq(handIns.id, printFiles.handInId))
    .innerJoin(projects, eq(projects.id, handIns.projectId))
    .limit(1);
});
afterAll(() => test.drop());

it('is for the staff and for those whose part is printed, who are not told whose the others are', async () => {
  const own = { id: found.studentId, name: '', role: 'student' } as const;
  const run = await runToWatch(test.db, own, found.runId);
  expect(run.parts.some(({ isOwn }) => isOwn)).toBe(true);
  for (const { name } of demoStudents) expect(JSON.stringify(run)).not.toContain(`"${name}"`);
  const [{ fileId }] = run.parts;
  expect((await fileToWatch(test.db, own, found.runId, fileId)).length).toBeGreaterThan(84);

  const teacher = await test.person(school.teacher.name);
  expect((await runToWatch(test.db, teacher, found.runId)).parts.every(({ isOwn }) => !isOwn)).toBe(true);
  const noor = await test.person('Noor');
  const nobody = { id: 'nobody', name: '', role: 'student' } as const;
  for (const other of [nobody, noor]) {
    await expect(runToWatch(test.db, other, found.runId)).rejects.toThrow(NotAllowed);
    await expect(fileToWatch(test.db, other, found.runId, fileId)).rejects.toThrow(NotAllowed);
  }
  await expect(runToWatch(test.db, teacher, 'none')).rejects.toThrow(NotAllowed);
});

it('is found by the hand-in whose part prints or was printed', async () => {
  await test.db.update(runs).set({ state: 'finished' }).where(eq(runs.id, found.runId));
  expect((await newestRunsOf(test.db, [found.handInId])).get(found.handInId)).toBeDefined();
  expect(await newestRunsOf(test.db, [])).toEqual(new Map());
});

it('asks the database once for thirty who watch, and tells each what is new, once', async () => {
  const watch = new RunWatch(test.db);
  const select = vi.spyOn(test.db, 'select');
  const told = Array.from({ length: 30 }, () => vi.fn());
  const unfollow = told.map((listener) => watch.follow(found.runId, listener));
  await watch.look();
  expect(select).toHaveBeenCalledTimes(1);
  await watch.look();
  await test.db.update(runs).set({ progress: 0.625 }).where(eq(runs.id, found.runId));
  await watch.look();
  for (const listener of told) {
    expect(listener).toHaveBeenCalledTimes(2);
    expect(listener).toHaveBeenLastCalledWith(expect.objectContaining({ progress: 0.625 }));
  }
  for (const end of unfollow) end();
  select.mockRestore();
});
