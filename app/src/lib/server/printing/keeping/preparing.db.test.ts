import { afterAll, afterEach, beforeAll, beforeEach, expect, it, vi } from 'vitest';
import { startChecks } from '../../../shared/startChecks.ts';
import { compute } from '../../platform/compute/compute.ts';
import { eventually, TestPrintRoom } from '../../testing/printRoom.ts';
import { wholeQueue } from '../../testing/wholeQueue.ts';
import { layBatch } from '../batches/laying.ts';
import { cancelRun, startBatch } from '../runs/startBatch.ts';

let room: TestPrintRoom;
beforeAll(async () => (room = await TestPrintRoom.open()));
afterAll(() => room.close());
beforeEach(() => room.plugIn());
afterEach(async () => {
  vi.restoreAllMocks();
  await room.clear();
});

/** Starts a batch of two parts; `mayGoOn` is waited for before each of its parts is sliced. */
async function startTwo(mayGoOn: (sliced: number) => Promise<void>) {
  room.keep();
  await eventually(async () => expect(await room.isOnline()).toBe(true));
  const waiting = (await wholeQueue(room.test.db, room.helper)).filter(({ state }) => state === 'waiting');
  const entryIds = waiting.slice(0, 2).map(({ id }) => id);
  const { batchId } = await layBatch(room.test.db, room.helper, entryIds);
  const { run } = compute();
  let begun = 0;
  const asked = vi.spyOn(compute(), 'run').mockImplementation(async function (this: unknown, task, owner) {
    if (task.kind === 'slice') await mayGoOn(begun++);
    return run.call(compute(), task, owner);
  } as typeof run);
  await startBatch(room.test.db, room.helper, batchId, room.printerId, startChecks);
  room.keeper!.nudge();
  return { entryId: entryIds[0], slices: () => asked.mock.calls.filter(([{ kind }]) => kind === 'slice') };
}

it('gives a batch up while it is sliced, and slices no more of it', async () => {
  let goOn = () => {};
  const gate = new Promise<void>((resolve) => (goOn = resolve));
  const { entryId, slices } = await startTwo((sliced) => (sliced < 1 ? Promise.resolve() : gate));
  await eventually(async () =>
    expect(await room.runOf(entryId)).toMatchObject({ problem: null, state: 'preparing', prepared: 0.33 }),
  );
  await cancelRun(room.test.db, room.helper, (await room.runOf(entryId)).id);
  await eventually(async () => expect((await room.runOf(entryId)).state).toBe('cancelled'));
  const before = slices().length;
  goOn();
  await new Promise((resolve) => setTimeout(resolve, 1500));
  expect(slices().length).toBe(before);
  expect(room.device.machine.files.size).toBe(0);
  expect(await room.entryState(entryId)).toBe('laid');
});

it('says how much of a batch is sliced, and looks after the printer meanwhile', async () => {
  let goOn = () => {};
  const gate = new Promise<void>((resolve) => (goOn = resolve));
  const { entryId } = await startTwo((sliced) => (sliced < 1 ? Promise.resolve() : gate));
  // One of two parts, and then they are put together.
  await eventually(async () =>
    expect(await room.runOf(entryId)).toMatchObject({ state: 'preparing', prepared: 0.33, progress: 0 }),
  );
  await room.device.close();
  await eventually(async () => expect(await room.isOnline()).toBe(false));
  await room.plugIn();
  goOn();
  await eventually(async () => expect(await room.entryState(entryId)).toBe('printed'));
});
