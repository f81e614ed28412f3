import { asc, eq } from 'drizzle-orm';
import { afterAll, afterEach, beforeAll, beforeEach, expect, it, vi } from 'vitest';
import { startPrinter, type RunningPrinter } from '@kelbrin/printer';
import type { Person } from './auth/access.ts';
import { compute } from './compute/pool.ts';
import { plateParts, printers, printFiles, queueEntries, runs } from './db/schema/index.ts';
import { discardPlate, openPlates } from './plates/plates.ts';
import { cancelRun, startPart, wishForRun } from './plates/startPlate.ts';
import { PrinterKeeper } from './printers/keeper.ts';
import { SerialDriver } from './printers/serialDriver.ts';
import { queue } from './queue.ts';
import { demoSchool, type TestDatabase } from './testing/database.ts';

let test: TestDatabase;
let helper: Person;
let device: RunningPrinter;
let keeper: PrinterKeeper | undefined;
let printerId: string;

beforeAll(async () => {
  test = await demoSchool();
  helper = await test.person('Mr Oduya');
  const [birch] = await test.db.select().from(printers).where(eq(printers.name, 'Birch'));
  printerId = birch.id;
});
afterAll(async () => {
  await compute().close();
  await test.drop();
});
beforeEach(() => plugIn({ speed: 1000 }));
afterEach(async () => {
  await keeper?.stop();
  keeper = undefined;
  await device.close();
  // What was given up lies on its plate still; the next test wants parts that wait.
  for (const { id, parts } of await openPlates(test.db, helper)) {
    if (await isIdle(parts[0].entryId)) await discardPlate(test.db, helper, id);
  }
});

async function plugIn({
  speed,
  noise = 0,
  port = 0,
}: {
  speed: number;
  noise?: number;
  port?: number;
}): Promise<void> {
  device = await startPrinter({ name: 'Birch', port, speed, noise });
  await test.db.update(printers).set({ port: device.port }).where(eq(printers.id, printerId));
}

function keep(): void {
  keeper = new PrinterKeeper(test.db, printerId, SerialDriver.connect);
}

async function isOnline(): Promise<boolean> {
  const [{ status }] = await test.db.select().from(printers).where(eq(printers.id, printerId));
  return status?.online ?? false;
}

async function waitingEntry(): Promise<string> {
  const [entry] = await test.db
    .select()
    .from(queueEntries)
    .where(eq(queueEntries.state, 'waiting'))
    .orderBy(asc(queueEntries.position));
  return entry.id;
}

async function runOf(entryId: string) {
  const all = await test.db
    .select({ run: runs })
    .from(runs)
    .innerJoin(plateParts, eq(plateParts.plateId, runs.plateId))
    .where(eq(plateParts.queueEntryId, entryId))
    .orderBy(asc(runs.startedAt));
  return all.at(-1)!.run;
}

async function isIdle(entryId: string): Promise<boolean> {
  return (await entryState(entryId)) === 'laid';
}

async function entryState(entryId: string): Promise<string> {
  const [{ state }] = await test.db.select().from(queueEntries).where(eq(queueEntries.id, entryId));
  return state;
}

const eventually = (check: () => Promise<void>) => vi.waitFor(check, { timeout: 30_000, interval: 100 });

async function startNext(): Promise<string> {
  await eventually(async () => expect(await isOnline()).toBe(true));
  const entryId = await waitingEntry();
  await startPart(test.db, helper, entryId, printerId);
  keeper?.nudge();
  return entryId;
}

it('sends a part over a disturbed line, follows it, and notes when it is done', async () => {
  await device.close();
  await plugIn({ speed: 1000, noise: 0.01 });
  keep();
  const entryId = await startNext();
  await eventually(async () => expect(await entryState(entryId)).toBe('printed'));
  const run = await runOf(entryId);
  expect(run).toMatchObject({ state: 'finished', progress: 1, problem: null });
  const sent = device.machine.files.get(run.fileName)!;
  expect(sent).toMatch(/^G21\nG90\n/);
  expect(sent).toMatch(/M84\n$/);
  expect(sent.match(/^G1 .*E/gm)!.length).toBeGreaterThan(1000);
});

it('finds run and progress again after the job process was restarted', async () => {
  await device.close();
  await plugIn({ speed: 40 });
  keep();
  const entryId = await startNext();
  await eventually(async () => expect((await runOf(entryId)).progress).toBeGreaterThan(0.05));
  await keeper!.stop();
  const before = (await runOf(entryId)).progress;
  // Meanwhile the printer goes on by itself.
  await new Promise((resolve) => setTimeout(resolve, 1500));
  keep();
  await eventually(async () => expect((await runOf(entryId)).progress).toBeGreaterThan(before + 0.02));
  expect(await runOf(entryId)).toMatchObject({ state: 'printing' });
  await cancelRun(test.db, helper, (await runOf(entryId)).id);
  await eventually(async () => expect(await entryState(entryId)).toBe('laid'));
  expect(device.machine.job).toBeUndefined();
});

it('notes that a run failed when the printer has lost it', async () => {
  await device.close();
  await plugIn({ speed: 40 });
  const { port } = device;
  keep();
  const entryId = await startNext();
  await eventually(async () => expect((await runOf(entryId)).progress).toBeGreaterThan(0.01));
  await device.close();
  await eventually(async () => expect(await isOnline()).toBe(false));
  await plugIn({ speed: 40, port });
  await eventually(async () => expect((await runOf(entryId)).state).toBe('failed'));
  expect((await runOf(entryId)).problem).toContain('lost the file');
  expect(await entryState(entryId)).toBe('laid');
});

it('prints nothing but what was approved', async () => {
  keep();
  await eventually(async () => expect(await isOnline()).toBe(true));
  const entryId = await waitingEntry();
  const [{ printFileId }] = await test.db.select().from(queueEntries).where(eq(queueEntries.id, entryId));
  const [file] = await test.db.select().from(printFiles).where(eq(printFiles.id, printFileId));
  const altered = Uint8Array.from(file.threeMf);
  altered[altered.length - 5] ^= 1;
  await test.db.update(printFiles).set({ threeMf: altered }).where(eq(printFiles.id, printFileId));
  await startNext();
  await eventually(async () => expect((await runOf(entryId)).state).toBe('failed'));
  expect((await runOf(entryId)).problem).toContain('not the one that was approved');
  expect(device.machine.files.size).toBe(0);
  await test.db.update(printFiles).set({ threeMf: file.threeMf }).where(eq(printFiles.id, printFileId));
});

it.each(['runout', 'door', 'clog'] as const)('waits until %s is put right, and goes on', async (kind) => {
  await device.close();
  await plugIn({ speed: 200 });
  keep();
  const entryId = await startNext();
  await eventually(async () => expect((await runOf(entryId)).progress).toBeGreaterThan(0.02));
  device.fault(kind);
  await eventually(async () => expect((await runOf(entryId)).pausedFor).toBe(kind));
  const { id, progress } = await runOf(entryId);
  await wishForRun(test.db, helper, id, 'resume');
  keeper!.nudge();
  await eventually(async () => expect((await runOf(entryId)).progress).toBeGreaterThan(progress + 0.01));
  expect(await runOf(entryId)).toMatchObject({ state: 'printing', pausedFor: null, wish: null });
  await wishForRun(test.db, helper, id, 'pause');
  keeper!.nudge();
  await eventually(async () => expect((await runOf(entryId)).pausedFor).toBe('user'));
  await cancelRun(test.db, helper, id);
  await eventually(async () => expect((await runOf(entryId)).state).toBe('cancelled'));
});

it('follows a run over a lost network and slow answers', async () => {
  await device.close();
  await plugIn({ speed: 60 });
  keep();
  const entryId = await startNext();
  await eventually(async () => expect((await runOf(entryId)).progress).toBeGreaterThan(0.01));
  device.fault('network');
  await eventually(async () => expect(await isOnline()).toBe(false));
  const before = (await runOf(entryId)).progress;
  await eventually(async () => expect(await isOnline()).toBe(true));
  device.fault('slow');
  await eventually(async () => expect((await runOf(entryId)).progress).toBeGreaterThan(before));
  expect(await runOf(entryId)).toMatchObject({ state: 'printing', problem: null });
  await cancelRun(test.db, helper, (await runOf(entryId)).id);
  await eventually(async () => expect((await runOf(entryId)).state).toBe('cancelled'));
});

it('gives a run up whose printer is silent, and stops it there when the printer answers again', async () => {
  await device.close();
  await plugIn({ speed: 20 });
  keep();
  const entryId = await startNext();
  await eventually(async () => expect((await runOf(entryId)).progress).toBeGreaterThan(0.005));
  device.fault('network');
  await eventually(async () => expect(await isOnline()).toBe(false));
  expect(await runOf(entryId)).toMatchObject({ state: 'printing', problem: null });
  await cancelRun(test.db, helper, (await runOf(entryId)).id);
  keeper!.nudge();
  await eventually(async () => expect((await runOf(entryId)).state).toBe('failed'));
  expect((await runOf(entryId)).problem).toContain('while the printer did not answer');
  expect(await entryState(entryId)).toBe('laid');
  // By itself the printer goes on.
  expect(device.machine.job).toBeDefined();
  await eventually(async () => expect(await isOnline()).toBe(true));
  await eventually(async () => expect(device.machine.job).toBeUndefined());
});

it.each([
  ['heater', 'stopped itself (“Heating failed'],
  ['power', 'lost the file while printing'],
] as const)('says in words that %s ended the run', async (kind, words) => {
  await device.close();
  await plugIn({ speed: 200 });
  keep();
  const entryId = await startNext();
  await eventually(async () => expect((await runOf(entryId)).progress).toBeGreaterThan(0.02));
  device.fault(kind);
  await eventually(async () => expect((await runOf(entryId)).state).toBe('failed'));
  expect((await runOf(entryId)).problem).toContain(words);
  expect(await entryState(entryId)).toBe('laid');
});

it('starts one run of many that are asked for at once', async () => {
  keep();
  await eventually(async () => expect(await isOnline()).toBe(true));
  await keeper!.stop();
  const entries = (await queue(test.db, helper)).filter(({ state }) => state === 'waiting');
  const results = await Promise.allSettled(
    [...entries, ...entries].map(({ id }) => startPart(test.db, helper, id, printerId)),
  );
  expect(results.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
  const printing = (await queue(test.db, helper)).filter(
    ({ id, state }) => state === 'printing' && entries.some((e) => e.id === id),
  );
  expect(printing).toHaveLength(1);
  await cancelRun(test.db, helper, (await runOf(printing[0].id)).id);
  keep();
  await eventually(async () => expect(await entryState(printing[0].id)).toBe('laid'));
});

it('starts nothing on a printer that does not answer', async () => {
  await device.close();
  keep();
  await eventually(async () => expect(await isOnline()).toBe(false));
  await expect(startPart(test.db, helper, await waitingEntry(), printerId)).rejects.toThrow(
    'does not answer',
  );
  await plugIn({ speed: 1000 });
});

it('keeps students out of the print room', async () => {
  const asha = await test.person('Asha');
  const entry = await waitingEntry();
  await expect(queue(test.db, asha)).rejects.toThrow();
  await expect(startPart(test.db, asha, entry, printerId)).rejects.toThrow();
  expect(await entryState(entry)).toBe('waiting');
});
