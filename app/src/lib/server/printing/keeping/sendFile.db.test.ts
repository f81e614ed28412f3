import { afterAll, afterEach, beforeAll, beforeEach, expect, it } from 'vitest';
import { connectPrinter } from '../../printers/drivers/connect.ts';
import { eventually, TestPrintRoom } from '../../testing/printRoom.ts';
import { cancelRun } from '../runs/startBatch.ts';
import { PrinterKeeper } from './keeper.ts';

let room: TestPrintRoom;
const keepers: PrinterKeeper[] = [];
beforeAll(async () => (room = await TestPrintRoom.open()));
afterAll(() => room.close());
beforeEach(() => room.plugIn({ speed: 1000 }));
afterEach(async () => {
  await Promise.all(keepers.splice(0).map((keeper) => keeper.stop()));
  await room.clear();
});

/** Keeps the printer over a line so slow that no file ever gets beyond four tenths. */
function keepSlowly(): PrinterKeeper {
  const keeper = new PrinterKeeper(room.test.db, room.printerId, async (connection, connecting) => {
    const driver = await connectPrinter(connection, connecting);
    driver.upload = (_, __, { onProgress, signal } = {}) => {
      onProgress?.(0.4);
      return new Promise((_, reject) => {
        signal!.addEventListener('abort', () => reject(signal!.reason as Error));
      });
    };
    return driver;
  });
  keepers.push(keeper);
  return keeper;
}
const isSending = (entryId: string) =>
  eventually(async () =>
    expect(await room.runOf(entryId)).toMatchObject({ state: 'sending', prepared: 0.4, problem: null }),
  );

it('says how much of a file is sent, and gives a run up meanwhile', async () => {
  keepSlowly();
  const entryId = await room.startNext();
  await isSending(entryId);
  await cancelRun(room.test.db, room.helper, (await room.runOf(entryId)).id);
  await eventually(async () => expect((await room.runOf(entryId)).state).toBe('cancelled'));
  expect(await room.entryState(entryId)).toBe('laid');
});

it('stops at once though a file is sent, and whoever keeps the printer next sends it', async () => {
  const first = keepSlowly();
  const entryId = await room.startNext();
  await isSending(entryId);
  await first.stop();
  expect(await room.runOf(entryId)).toMatchObject({ state: 'sending', problem: null });
  room.keep();
  await eventually(async () => expect(await room.entryState(entryId)).toBe('printed'));
});
