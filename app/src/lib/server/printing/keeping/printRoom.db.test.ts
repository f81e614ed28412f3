import { eq } from 'drizzle-orm';
import { afterAll, afterEach, beforeAll, beforeEach, expect, it } from 'vitest';
import { printFiles, queueEntries } from '../../platform/db/schema/index.ts';
import { cancelRun, startPart } from '../runs/startBatch.ts';
import { printersWithRuns } from '../printRoom.ts';
import { queueRows } from '../queue/rows.ts';
import { wholeQueue } from '../../testing/wholeQueue.ts';
import { eventually, TestPrintRoom } from '../../testing/printRoom.ts';
import { startChecks } from '../../../shared/startChecks.ts';

let room: TestPrintRoom;
beforeAll(async () => (room = await TestPrintRoom.open()));
afterAll(() => room.close());
beforeEach(() => room.plugIn());
afterEach(() => room.clear());

it('sends a part over a disturbed line, follows it, and notes when it is done', async () => {
  await room.plugIn({ speed: 1000, noise: 0.01 });
  room.keep();
  const entryId = await room.startNext();
  await eventually(async () => expect(await room.entryState(entryId)).toBe('printed'));
  const run = await room.runOf(entryId);
  expect(run).toMatchObject({ state: 'finished', progress: 1, problem: null });
  const sent = room.device.machine.files.get(run.fileName)!;
  expect(sent).toMatch(/^G21\nG90\n/);
  expect(sent).toMatch(/M84\n$/);
  expect(sent.match(/^G1 .*E/gm)!.length).toBeGreaterThan(1000);
});

it('finds run and progress again after the job process was restarted', async () => {
  await room.plugIn({ speed: 40 });
  room.keep();
  const entryId = await room.startNextUntil(0.05);
  await room.keeper!.stop();
  const before = (await room.runOf(entryId)).progress;
  // Meanwhile the printer goes on by itself.
  await new Promise((resolve) => setTimeout(resolve, 1500));
  room.keep();
  await eventually(async () => expect((await room.runOf(entryId)).progress).toBeGreaterThan(before + 0.02));
  expect(await room.runOf(entryId)).toMatchObject({ state: 'printing' });
  await cancelRun(room.test.db, room.helper, (await room.runOf(entryId)).id);
  await eventually(async () => expect(await room.entryState(entryId)).toBe('laid'));
  expect(room.device.machine.job).toBeUndefined();
});

it('says at which layer the printer is', async () => {
  await room.plugIn({ speed: 60 });
  room.keep();
  const entryId = await room.startNextUntil(0.3);
  const lane = async () =>
    (await printersWithRuns(room.test.db, room.helper)).find(({ id }) => id === room.printerId)!;
  const { fileName, layer } = (await lane()).run!;
  // How high the printer itself has risen by then, in the file that it was sent.
  const sent = room.device.machine.files.get(fileName)!;
  const rises = (gcode: string) => new Set(gcode.match(/(?<=^G0 Z)[\d.]+/gm));
  expect(layer!.of).toBeGreaterThan(5);
  const passed = rises(sent.slice(0, room.device.machine.job!.at)).size;
  expect(layer!.at).toBeGreaterThan(1);
  expect(Math.abs(layer!.at - passed)).toBeLessThanOrEqual(2);
  await cancelRun(room.test.db, room.helper, (await room.runOf(entryId)).id);
  await eventually(async () => expect(await room.entryState(entryId)).toBe('laid'));
});

it('prints nothing but what was approved', async () => {
  room.keep();
  await eventually(async () => expect(await room.isOnline()).toBe(true));
  const entryId = await room.waitingEntry();
  const [{ printFileId }] = await room.test.db
    .select()
    .from(queueEntries)
    .where(eq(queueEntries.id, entryId));
  const [file] = await room.test.db.select().from(printFiles).where(eq(printFiles.id, printFileId));
  const altered = Uint8Array.from(file.threeMf);
  altered[altered.length - 5] ^= 1;
  await room.test.db.update(printFiles).set({ threeMf: altered }).where(eq(printFiles.id, printFileId));
  await room.startNext();
  await eventually(async () => expect((await room.runOf(entryId)).state).toBe('failed'));
  expect((await room.runOf(entryId)).problem).toContain('not the one that was approved');
  expect(room.device.machine.files.size).toBe(0);
  await room.test.db.update(printFiles).set({ threeMf: file.threeMf }).where(eq(printFiles.id, printFileId));
});

it('starts one run of many that are asked for at once', async () => {
  room.keep();
  await eventually(async () => expect(await room.isOnline()).toBe(true));
  await room.keeper!.stop();
  const entries = (await wholeQueue(room.test.db, room.helper)).filter(({ state }) => state === 'waiting');
  const results = await Promise.allSettled(
    [...entries, ...entries].map(({ id }) =>
      startPart(room.test.db, room.helper, id, room.printerId, startChecks),
    ),
  );
  expect(results.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
  const printing = (await wholeQueue(room.test.db, room.helper)).filter(
    ({ id, state }) => state === 'printing' && entries.some((e) => e.id === id),
  );
  expect(printing).toHaveLength(1);
  await cancelRun(room.test.db, room.helper, (await room.runOf(printing[0].id)).id);
  room.keep();
  await eventually(async () => expect(await room.entryState(printing[0].id)).toBe('laid'));
});

it('starts nothing on a printer that does not answer', async () => {
  await room.device.close();
  room.keep();
  await eventually(async () => expect(await room.isOnline()).toBe(false));
  await expect(
    startPart(room.test.db, room.helper, await room.waitingEntry(), room.printerId, startChecks),
  ).rejects.toThrow('does not answer');
  await room.plugIn({ speed: 1000 });
});

it('keeps students out of the print room', async () => {
  const asha = await room.test.person('Asha');
  const entry = await room.waitingEntry();
  await expect(queueRows(room.test.db, asha)).rejects.toThrow();
  await expect(startPart(room.test.db, asha, entry, room.printerId, startChecks)).rejects.toThrow();
  expect(await room.entryState(entry)).toBe('waiting');
});
