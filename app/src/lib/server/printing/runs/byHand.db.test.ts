import { mkdir, readFile, readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { afterAll, afterEach, beforeAll, expect, it } from 'vitest';
import { startChecks } from '../../../shared/startChecks.ts';
import { LiveHub } from '../../platform/live/hub.ts';
import { NotAllowed, type Person } from '../../platform/auth/access.ts';
import { batchParts, notices, printers, runs, spools } from '../../platform/db/schema/index.ts';
import { school } from '../../demo/school.ts';
import { eventually, TestPrintRoom } from '../../testing/printRoom.ts';
import { rollsOn } from '../../printers/loaded.ts';
import { beginChange } from '../filament/change.ts';
import { discardBatch } from '../batches/changeBatch.ts';
import { fileOfRun, sayBegun, sayDone, sayFailed } from './byHand.ts';
import { cancelRun, startPart, wishForRun } from './startBatch.ts';

let room: TestPrintRoom;
let helper: Person;
/** The folder that plays the reader of memory cards, for all tests; the cards in it are of this file alone. */
const cards = process.env.KELBRIN_CARDS!;
const [left, right] = ['left', 'right'].map((side) => `${side} reader of runs by hand`);

beforeAll(async () => {
  room = await TestPrintRoom.open();
  helper = room.helper;
});
afterAll(async () => {
  await room.close();
  for (const card of [left, right]) await rm(join(cards, card), { recursive: true, force: true });
});
afterEach(() => room.keeper?.stop());

/** Has Birch read files from a card, or from wherever a download goes, and a part started on it. */
async function started(card: string | null): Promise<{ runId: string; entryId: string }> {
  await room.test.db
    .update(printers)
    .set({ connection: { way: 'card', card }, status: null })
    .where(eq(printers.id, room.printerId));
  room.keep();
  const entryId = await room.startNext();
  return { entryId, runId: (await room.runOf(entryId)).id };
}
const run = async (id: string) => (await room.test.db.select().from(runs).where(eq(runs.id, id)))[0];
const becomes = (id: string, state: string) =>
  eventually(async () => {
    room.keeper?.nudge();
    expect((await run(id)).state).toBe(state);
  });
const gramsLeft = async () => {
  const [{ gramsLeft }] = await rollsOn(room.test.db, room.printerId);
  return gramsLeft;
};

it('writes the file onto the card, waits for what a person says, and counts spool and part as for every other printer', async () => {
  await mkdir(join(cards, left));
  const before = await gramsLeft();
  const newsAt: number[] = [];
  await new LiveHub(room.test.sql).follow(['printers', 'printroom'], () => newsAt.push(Date.now()));
  const { runId, entryId } = await started(left);
  await eventually(async () => expect((await run(runId)).sentAt).not.toBeNull());
  // Whoever looks at its lane hears that the file is there.
  const sentAt = (await run(runId)).sentAt!.getTime();
  await eventually(async () => expect(newsAt.at(-1)).toBeGreaterThanOrEqual(sentAt));
  expect((await run(runId)).state).toBe('sending');
  const { fileName } = await run(runId);
  expect(fileName).toMatch(/^b\d+-birch-/);
  expect(await readdir(join(cards, left))).toEqual([fileName]);
  // What is downloaded is what is on the card.
  const { gcode } = await fileOfRun(room.test.db, helper, runId);
  expect(await readFile(join(cards, left, fileName), 'utf8')).toBe(gcode);

  await expect(sayDone(room.test.db, helper, runId)).rejects.toThrow('Say first that this print has begun');
  await expect(
    startPart(room.test.db, helper, await room.waitingEntry(), room.printerId, startChecks),
  ).rejects.toThrow('Birch is printing already');
  await sayBegun(room.test.db, helper, runId);
  await becomes(runId, 'printing');
  await expect(wishForRun(room.test.db, helper, runId, 'pause')).rejects.toThrow(
    'Nothing is connected to Birch',
  );

  // Half of the estimate is over, and the process that keeps the printer is another one.
  await room.keeper!.stop();
  const { estimateS } = await run(runId);
  const half = new Date(Date.now() - 500 * estimateS);
  await room.test.db.update(runs).set({ begunByHandAt: half }).where(eq(runs.id, runId));
  room.keep();
  await eventually(async () => expect((await run(runId)).progress).toBeCloseTo(0.5, 1));
  await sayDone(room.test.db, helper, runId);
  await becomes(runId, 'finished');
  expect(await room.entryState(entryId)).toBe('printed');
  expect(await gramsLeft()).toBeLessThan(before);
  await expect(sayFailed(room.test.db, helper, runId, 'It came off.')).rejects.toThrow('over already');
});

it('says that the card is not there, writes onto it when it is, and can begin from a download as well', async () => {
  const { runId, entryId } = await started(right);
  await eventually(async () =>
    expect((await run(runId)).problem).toContain(`“${right}” is not in the reader`),
  );
  expect((await run(runId)).state).toBe('sending');
  await mkdir(join(cards, right));
  await eventually(async () => {
    room.keeper?.nudge();
    expect(await readdir(join(cards, right))).toHaveLength(1);
  });
  await eventually(async () => expect((await run(runId)).problem).toBeNull());

  await expect(sayFailed(room.test.db, helper, runId, '  ')).rejects.toThrow('Say in a few words');
  await sayBegun(room.test.db, helper, runId);
  await becomes(runId, 'printing');
  await sayFailed(room.test.db, helper, runId, 'It came off the plate.');
  await becomes(runId, 'failed');
  expect((await run(runId)).problem).toBe('It came off the plate.');
  expect(await room.entryState(entryId)).toBe('laid');
  const [{ batchId }] = await room.test.db
    .select()
    .from(batchParts)
    .where(eq(batchParts.queueEntryId, entryId));
  await discardBatch(room.test.db, helper, batchId);
});

it('asks once whether a print is done that should be, and is given up by who says so', async () => {
  const { runId, entryId } = await started(null);
  await eventually(async () => expect((await run(runId)).state).toBe('sending'));
  await sayBegun(room.test.db, helper, runId);
  await becomes(runId, 'printing');
  const { estimateS } = await run(runId);
  const longAgo = new Date(Date.now() - 1000 * estimateS - 10 * 60_000);
  await room.test.db.update(runs).set({ begunByHandAt: longAgo }).where(eq(runs.id, runId));
  const asked = async () => {
    const all = await room.test.db.select().from(notices).where(eq(notices.kind, 'run_due'));
    return all.map(({ personId, count }) => [personId, count]);
  };
  const teacher = await room.test.person(school.teacher.name);
  await eventually(async () => expect(await asked()).toHaveLength(2));
  expect(new Map((await asked()) as [string, number][])).toEqual(
    new Map([
      [teacher.id, 1],
      [helper.id, 1],
    ]),
  );
  for (let round = 0; round < 3; round++) {
    room.keeper?.nudge();
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  expect((await asked()).every(([, count]) => count === 1)).toBe(true);
  expect((await run(runId)).progress).toBeLessThan(1);

  await cancelRun(room.test.db, helper, runId);
  await becomes(runId, 'cancelled');
  expect(await room.entryState(entryId)).toBe('laid');
});

it('is told by the print room alone, and only of printers that nothing is connected to', async () => {
  const [{ id }] = await room.test.db.select().from(runs).where(eq(runs.printerId, room.printerId)).limit(1);
  const student = await room.test.person('Asha');
  for (const say of [sayBegun, sayDone, fileOfRun])
    await expect(say(room.test.db, student, id)).rejects.toThrow(NotAllowed);
  const [alder] = await room.test.db.select().from(printers).where(eq(printers.name, 'Alder'));
  const [other] = await room.test.db.select().from(runs).where(eq(runs.printerId, alder.id)).limit(1);
  await expect(sayBegun(room.test.db, helper, other.id)).rejects.toThrow('says itself how its print goes');
  const [spool] = await room.test.db.select().from(spools).limit(1);
  await expect(beginChange(room.test.db, helper, room.printerId, spool.id)).rejects.toThrow(
    'Nothing is connected',
  );
});
