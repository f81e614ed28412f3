import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Trials } from '@kelbrin/core/advise';
import { classroomLimits, requirementKinds, withPrintNeeds, type BriefRules } from '@kelbrin/core/inspect';
import { nodeWorkshop } from '@kelbrin/core/node';
import { settingsOf } from '@kelbrin/core/slice';
import { starters } from '@kelbrin/core/starters';
import { emptyRecipe } from '@kelbrin/core/recipe';
import { labelRecipe } from '../../demo/labels.ts';
import { SentBytes } from '../sent/sentBytes.ts';
import { sha256 } from '../basics/sha256.ts';
import { Compute } from './compute.ts';
import { ofStudent } from './fairQueue.ts';
import { KeptAnswers } from './keptAnswers.ts';
import { TaskFailure } from './taskFailure.ts';
import { WorkerPool } from './workerPool.ts';

let pool: Compute;
let folder: string;
beforeAll(async () => {
  pool = new Compute('app/dist/computeWorker.js');
  folder = await mkdtemp(join(tmpdir(), 'kelbrin-pool-'));
});
afterAll(async () => {
  await pool.close();
  await rm(folder, { recursive: true });
});

const inspectTask = (words: string) =>
  ({
    kind: 'inspect',
    recipe: labelRecipe({ words }),
    limits: classroomLimits,
    brief: {},
    title: words,
  }) as const;

describe('the worker', () => {
  it('builds the same bytes from the same recipe, and others from another', async () => {
    const [a, again, b] = await Promise.all([
      pool.run<'inspect'>(inspectTask('Basil')),
      pool.run<'inspect'>(inspectTask('Basil')),
      pool.run<'inspect'>(inspectTask('Mint')),
    ]);
    if (!a.ok || !again.ok || !b.ok) throw new Error('not built');
    expect(sha256(again.threeMf)).toBe(sha256(a.threeMf));
    expect(sha256(b.threeMf)).not.toBe(sha256(a.threeMf));
    expect(a.inspection.verdict).toBe('pass');
    expect(a.estimate.layers).toBe(19);
  });

  it('finds the same as the bench does, for every example', async () => {
    const limits = classroomLimits;
    const brief: BriefRules = { requirements: requirementKinds.map((kind) => kind.create()) };
    const trials = new Trials({ workshop: await nodeWorkshop(), limits, brief });
    for (const { id, recipe } of starters) {
      const task = { kind: 'inspect', recipe, limits, brief, title: id } as const;
      const asked = pool.run<'inspect'>(task);
      const ofBench = trials.tried(recipe)!.inspection;
      const ofServer = await asked;
      if (!ofServer.ok) throw new Error(ofServer.problem);
      const { seconds, grams } = ofServer.estimate;
      const print = { minutes: seconds / 60, grams };
      expect(ofServer.inspection, id).toEqual(withPrintNeeds(ofBench, print, limits, brief));
    }
    trials.close();
  });

  it('says what is wrong with a recipe that cannot be built or makes nothing', async () => {
    expect(await pool.run<'inspect'>(inspectTask('李'))).toMatchObject({ ok: false });
    const empty = { ...inspectTask('x'), recipe: emptyRecipe() };
    expect(await pool.run<'inspect'>(empty)).toEqual({
      ok: false,
      problem: 'The recipe leaves nothing to print.',
    });
  });

  const settings = settingsOf(classroomLimits, { set: 'everyday' });
  const toSlice = (threeMf: Uint8Array) =>
    ({
      kind: 'slice',
      files: new Map([[sha256(threeMf), threeMf]]),
      settings,
      choice: { set: 'everyday' },
    }) as const;

  it('slices parts one by one, and puts them together where they lie with its notes at the head', async () => {
    const built = await pool.run<'inspect'>(inspectTask('Basil'));
    if (!built.ok) throw new Error(built.problem);
    const hash = sha256(built.threeMf);
    const part = await pool.run<'slice'>(toSlice(built.threeMf));
    const made = await pool.run<'batch'>({
      kind: 'batch',
      sliced: new Map([[hash, part]]),
      parts: [{ hash, piece: hash, xMm: 110, yMm: 100, turnDeg: 0 }],
      settings,
      laidOnMm: settings.plateMm,
      notes: ['Basil v1'],
    });
    if (!made.ok) throw new Error(made.problem);
    const { gcode, estimate } = made;
    expect(estimate.grams).toBeCloseTo(built.estimate.grams, 1);
    expect(gcode.startsWith('; Basil v1\nG21\n')).toBe(true);
    const xs = [...gcode.matchAll(/^G1 X([\d.]+)/gm)].map(([, x]) => Number(x));
    expect((Math.min(...xs) + Math.max(...xs)) / 2).toBeCloseTo(110, 1);
  });

  it('passes an error on as a sentence and goes on', async () => {
    await expect(pool.run<'slice'>(toSlice(new Uint8Array([1, 2, 3])))).rejects.toThrow('not a 3MF file');
    expect(await pool.run<'inspect'>(inspectTask('Still'))).toMatchObject({ ok: true });
  });
});

describe('what somebody sent', () => {
  const bytes = (words: string) => new TextEncoder().encode(words);

  it('is read as a solid, or refused in half a sentence', async () => {
    const built = await pool.run<'inspect'>(inspectTask('Basil'));
    if (!built.ok) throw new Error(built.problem);
    const read = await pool.run<'readMesh'>({ kind: 'readMesh', sent: new SentBytes(built.stl) });
    expect(read).toMatchObject({ ok: true, unit: 'mm', notes: [] });
    const refused = await pool.run<'readMesh'>({
      kind: 'readMesh',
      sent: new SentBytes(bytes('\n'.repeat(40) + 'x')),
    });
    expect(refused).toMatchObject({ ok: false, problem: expect.stringMatching(/^the file/) });
  });

  it('is taken for a picture of sensible size alone', async () => {
    const { png } = await pool.run<'picture'>({
      kind: 'picture',
      recipe: labelRecipe({ words: 'Basil' }),
      colour: '#2f7d4f',
      widthPx: 320,
    });
    const asked = (picture: Uint8Array) =>
      pool.run<'readPicture'>({ kind: 'readPicture', sent: new SentBytes(picture) });
    expect(await asked(png)).toEqual({ ok: true, mediaType: 'image/png' });
    // A head that claims more pixels than any memory holds.
    const vast = png.slice();
    new DataView(vast.buffer).setUint32(16, 60_000);
    expect(await asked(vast)).toMatchObject({ ok: false, problem: expect.stringContaining('60000 pixels') });
    expect(await asked(png.slice(0, 12))).toMatchObject({ ok: false });
    expect(await asked(bytes('GIF89a'))).toMatchObject({ ok: false });
  });
});

describe('workers', () => {
  /** A worker file whose tasks end as their colour says. */
  async function workersThat(): Promise<WorkerPool> {
    const file = join(folder, 'odd.mjs');
    await writeFile(
      file,
      `const kept = [];
       const { readFileSync, readlinkSync } = process.getBuiltinModule('node:fs');
       export default async ({ task: { colour }, note }) => {
         const thread = readlinkSync('/proc/thread-self').split('/').at(-1);
         note[1] = readFileSync('/proc/self/task/' + thread + '/schedstat', 'utf8').split(' ')[0] / 1e6;
         note[0] = thread;
         if (colour.startsWith('wait')) Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, Number(colour.slice(5)));
         if (colour === 'crash') process.nextTick(() => { throw new Error('gone'); });
         if (colour === 'memory') for (;;) kept.push(Array.from({ length: 1e5 }, Math.random));
         if (colour === 'time') for (;;);
         await new Promise((resolve) => setTimeout(resolve, 60));
         return { png: colour };
       };`,
    );
    return new WorkerPool(file, { memoryMb: 64 });
  }
  const task = (colour: string) =>
    ({ kind: 'picture', recipe: emptyRecipe(), colour, widthPx: 320 }) as const;

  it.each([
    ['takes too long', 'time', 'took too long'],
    ['needs too much memory', 'memory', 'too much memory'],
    ['crashes', 'crash', 'gone'],
  ])('lose a task that %s and go on with the others', async (_, colour, words) => {
    const workers = await workersThat();
    const fates = await Promise.allSettled([
      workers.run<'picture'>(task('a'), ofStudent('asha'), 5_000),
      workers.run<'picture'>(task(colour), ofStudent('bruno'), colour === 'time' ? 1_000 : 30_000),
      workers.run<'picture'>(task('b'), ofStudent('cleo'), 5_000),
      workers.run<'picture'>(task('c'), ofStudent('dara'), 5_000),
    ]);
    expect(fates.map(({ status }) => status)).toEqual(['fulfilled', 'rejected', 'fulfilled', 'fulfilled']);
    expect(String((fates[1] as PromiseRejectedResult).reason)).toContain(words);
    await workers.close();
  });

  it('begin the clock of a task when it begins, however long it waited', async () => {
    const workers = await workersThat();
    const many = Array.from({ length: 24 }, (_, i) => task(`picture ${i}`));
    // Together they take far longer than each may.
    const drawn = many.map((each) => workers.run<'picture'>(each, ofStudent('asha'), 700));
    expect(await Promise.all(drawn)).toHaveLength(24);
    await workers.close();
  });

  it('take no time off a task for what the machine does meanwhile, but end one that only waits', async () => {
    const workers = await workersThat();
    const fates = await Promise.allSettled([
      workers.run<'picture'>(task('wait 1500'), ofStudent('asha'), 500),
      workers.run<'picture'>(task('wait 60000'), ofStudent('bruno'), 100),
    ]);
    expect(fates.map(({ status }) => status)).toEqual(['fulfilled', 'rejected']);
    expect(String((fates[1] as PromiseRejectedResult).reason)).toContain('took too long');
    await workers.close();
  });

  it('reject what waits when they are closed', async () => {
    const workers = await workersThat();
    const asked = [1, 2, 3].map((i) => workers.run<'picture'>(task(`${i}`), ofStudent('asha'), 5_000));
    const fates = Promise.allSettled(asked);
    await workers.close();
    expect((await fates).every(({ status }) => status === 'rejected')).toBe(true);
  });
});

describe('an answer', () => {
  it('is worked out once for all who ask, and a task that was given up is not tried again', async () => {
    const kept = new KeptAnswers();
    const runs: string[] = [];
    const ask = (words: string, outcome: () => Promise<string>) =>
      kept.answer(inspectTask(words), () => {
        runs.push(words);
        return outcome();
      });
    const soon = async () => 'done';
    expect(await Promise.all([ask('Basil', soon), ask('Basil', soon)])).toEqual(['done', 'done']);
    expect(await ask('Basil', soon)).toBe('done');
    const givenUp = () => Promise.reject(new TaskFailure('time'));
    await expect(ask('Mint', givenUp)).rejects.toThrow('took too long');
    await expect(ask('Mint', givenUp)).rejects.toThrow('took too long');
    const stopped = () => Promise.reject(new TaskFailure('stopped'));
    await expect(ask('Chive', stopped)).rejects.toThrow('stopping');
    await expect(ask('Chive', soon)).resolves.toBe('done');
    expect(runs).toEqual(['Basil', 'Mint', 'Chive', 'Chive']);
  });
});
