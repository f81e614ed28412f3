import { afterAll, afterEach, beforeAll, beforeEach, expect, it } from 'vitest';
import { cancelRun, wishForRun } from '../runs/startBatch.ts';
import { eventually, TestPrintRoom } from '../../testing/printRoom.ts';

let room: TestPrintRoom;
beforeAll(async () => (room = await TestPrintRoom.open()));
afterAll(() => room.close());
beforeEach(() => room.plugIn());
afterEach(() => room.clear());

it('notes that a run failed when the printer has lost it', async () => {
  await room.plugIn({ speed: 40 });
  const { port } = room.device;
  room.keep();
  const entryId = await room.startNextUntil(0.01);
  await room.device.close();
  await eventually(async () => expect(await room.isOnline()).toBe(false));
  await room.plugIn({ speed: 40, port });
  await eventually(async () => expect((await room.runOf(entryId)).state).toBe('failed'));
  expect((await room.runOf(entryId)).problem).toContain('lost the file');
  expect(await room.entryState(entryId)).toBe('laid');
});

it.each(['runout', 'door', 'clog'] as const)('waits until %s is put right, and goes on', async (kind) => {
  await room.plugIn({ speed: 200 });
  room.keep();
  const entryId = await room.startNextUntil(0.02);
  room.device.fault(kind);
  await eventually(async () => expect((await room.runOf(entryId)).pausedFor).toBe(kind));
  const { id, progress } = await room.runOf(entryId);
  await wishForRun(room.test.db, room.helper, id, 'resume');
  room.keeper!.nudge();
  await eventually(async () => expect((await room.runOf(entryId)).progress).toBeGreaterThan(progress + 0.01));
  expect(await room.runOf(entryId)).toMatchObject({ state: 'printing', pausedFor: null, wish: null });
  await wishForRun(room.test.db, room.helper, id, 'pause');
  room.keeper!.nudge();
  await eventually(async () => expect((await room.runOf(entryId)).pausedFor).toBe('user'));
  await cancelRun(room.test.db, room.helper, id);
  await eventually(async () => expect((await room.runOf(entryId)).state).toBe('cancelled'));
});

it('follows a run over a lost network and slow answers', async () => {
  await room.plugIn({ speed: 60 });
  room.keep();
  const entryId = await room.startNextUntil(0.01);
  room.device.fault('network');
  await eventually(async () => expect(await room.isOnline()).toBe(false));
  const before = (await room.runOf(entryId)).progress;
  await eventually(async () => expect(await room.isOnline()).toBe(true));
  room.device.fault('slow');
  await eventually(async () => expect((await room.runOf(entryId)).progress).toBeGreaterThan(before));
  expect(await room.runOf(entryId)).toMatchObject({ state: 'printing', problem: null });
  await cancelRun(room.test.db, room.helper, (await room.runOf(entryId)).id);
  await eventually(async () => expect((await room.runOf(entryId)).state).toBe('cancelled'));
});

it('gives a run up whose printer is silent, and stops it there when the printer answers again', async () => {
  await room.plugIn({ speed: 20 });
  room.keep();
  const entryId = await room.startNextUntil(0.005);
  room.device.fault('network');
  await eventually(async () => expect(await room.isOnline()).toBe(false));
  expect(await room.runOf(entryId)).toMatchObject({ state: 'printing', problem: null });
  await cancelRun(room.test.db, room.helper, (await room.runOf(entryId)).id);
  room.keeper!.nudge();
  await eventually(async () => expect((await room.runOf(entryId)).state).toBe('failed'));
  expect((await room.runOf(entryId)).problem).toContain('while the printer did not answer');
  expect(await room.entryState(entryId)).toBe('laid');
  // By itself the printer goes on.
  expect(room.device.machine.job).toBeDefined();
  await eventually(async () => expect(await room.isOnline()).toBe(true));
  await eventually(async () => expect(room.device.machine.job).toBeUndefined());
});

it.each([
  ['heater', 'stopped itself (“Heating failed'],
  ['power', 'lost the file while printing'],
] as const)('says in words that %s ended the run', async (kind, words) => {
  await room.plugIn({ speed: 200 });
  room.keep();
  const entryId = await room.startNextUntil(0.02);
  room.device.fault(kind);
  await eventually(async () => expect((await room.runOf(entryId)).state).toBe('failed'));
  expect((await room.runOf(entryId)).problem).toContain(words);
  expect(await room.entryState(entryId)).toBe('laid');
});
