import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Trials } from '@kelbrin/core/advise';
import { classroomLimits, requirementKinds, withPrintNeeds, type BriefRules } from '@kelbrin/core/inspect';
import { nodeWorkshop } from '@kelbrin/core/node';
import { starters } from '@kelbrin/core/starters';
import { emptyRecipe } from '@kelbrin/core/recipe';
import { labelRecipe } from '../demo/labels.ts';
import { sha256 } from '../sha256.ts';
import { ComputePool } from './pool.ts';

let pool: ComputePool;
let folder: string;
beforeAll(async () => {
  pool = new ComputePool('app/dist/computeWorker.js');
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
    expect(a.estimate.layers).toBe(18);
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
  }, 90_000);

  it('says what is wrong with a recipe that cannot be built or makes nothing', async () => {
    expect(await pool.run<'inspect'>(inspectTask('Ω'))).toMatchObject({ ok: false });
    const empty = { ...inspectTask('x'), recipe: emptyRecipe() };
    expect(await pool.run<'inspect'>(empty)).toEqual({
      ok: false,
      problem: 'The recipe leaves nothing to print.',
    });
  });

  const plate = (threeMf: Uint8Array) =>
    ({
      kind: 'plate',
      files: new Map([['one', threeMf]]),
      parts: [{ hash: 'one', xMm: 110, yMm: 100, turnDeg: 0 }],
      limits: classroomLimits,
      choice: { set: 'everyday' },
      notes: ['Basil v1'],
    }) as const;

  it('slices a plate with its parts where they lie and its notes at the head', async () => {
    const built = await pool.run<'inspect'>(inspectTask('Basil'));
    if (!built.ok) throw new Error(built.problem);
    const { gcode, estimate } = await pool.run<'plate'>(plate(built.threeMf));
    expect(estimate.grams).toBeCloseTo(built.estimate.grams, 1);
    expect(gcode.startsWith('; Basil v1\nG21\n')).toBe(true);
    const xs = [...gcode.matchAll(/^G1 X([\d.]+)/gm)].map(([, x]) => Number(x));
    expect((Math.min(...xs) + Math.max(...xs)) / 2).toBeCloseTo(110, 1);
  });

  it('passes an error on as a sentence and goes on', async () => {
    await expect(pool.run<'plate'>(plate(new Uint8Array([1, 2, 3])))).rejects.toThrow('not a 3MF file');
    expect(await pool.run<'inspect'>(inspectTask('Still'))).toMatchObject({ ok: true });
  });
});

describe('a worker that dies', () => {
  it('takes only what waited for it along; the next task gets a new one', async () => {
    const file = join(folder, 'dying.mjs');
    await writeFile(
      file,
      `import { parentPort } from 'node:worker_threads';
       parentPort.on('message', ({ id, task }) => {
         if (task.kind === 'picture') throw new Error('gone');
         parentPort.postMessage({ id, answer: { ok: false, problem: 'alive' } });
       });`,
    );
    const dying = new ComputePool(file);
    const picture = { kind: 'picture', recipe: emptyRecipe(), colour: '#000000' } as const;
    await expect(dying.run<'picture'>(picture)).rejects.toThrow('gone');
    expect(await dying.run<'inspect'>(inspectTask('x'))).toEqual({ ok: false, problem: 'alive' });
    await dying.close();
  });
});
