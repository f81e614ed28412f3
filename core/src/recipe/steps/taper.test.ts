import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { built, genusOf, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { classroomLimits, inspect } from '../../inspect/index.ts';
import { boundsOf, topologyOf } from '../../mesh/index.ts';
import { everydaySettings, slice } from '../../slice/index.ts';
import { evaluate, type Workshop } from '../../solid/index.ts';
import { starters } from '../../starters/index.ts';
import { centredAlong, fromFront, fromLeft, on } from '../../starters/places.ts';
import { plainSentence } from '../sentence.ts';
import { sentenceOf, type Step } from './index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const box: Step = stepOf('solid', 's1', undefined, {
  solid: { type: 'box', widthMm: 30, depthMm: 20, heightMm: 10 },
});
const taper = (topPercent: number, ways: 'both' | 'x' | 'y' = 'both', id = 's9'): Step =>
  stepOf('taper', id, undefined, { topPercent, ways });
const made = (...steps: Step[]) => built(workshop, recipeWith(steps));

describe('a taper of the whole part', () => {
  it.each([
    [50, 'both'],
    [150, 'both'],
    [80, 'x'],
    [30, 'y'],
    [100, 'both'],
  ] as const)('of a box to %i %% (%s) has the volume of its levels', (percent, ways) => {
    const { volumeMm3, mesh } = made(box, taper(percent, ways));
    const top = percent / 100;
    // Two sides that change: the mean of a square; one side: the mean of a line.
    const mean = ways === 'both' ? (1 + top + top * top) / 3 : (1 + top) / 2;
    expect(volumeMm3 / (30 * 20 * 10 * mean)).toBeCloseTo(1, 5);
    const { min, max } = boundsOf(mesh);
    const most = Math.max(1, top);
    expect(max[0] - min[0]).toBeCloseTo(30 * (ways === 'y' ? 1 : most), 3);
    expect(max[1] - min[1]).toBeCloseTo(20 * (ways === 'x' ? 1 : most), 3);
    expect([min[2], max[2]]).toEqual([expect.closeTo(0, 4), expect.closeTo(10, 4)]);
    // Flat sides stay two triangles.
    expect(mesh.triangles.length / 3).toBe(12);
  });

  it('bends what leans: a cone becomes the curve that it is', () => {
    const [radius, high, top] = [10, 20, 0.5];
    const cone = stepOf('solid', 's1', undefined, {
      solid: { type: 'cone', diameterMm: 2 * radius, topMm: 2, heightMm: high },
    });
    const before = made(cone).volumeMm3;
    const after = made(cone, taper(100 * top)).volumeMm3;
    // The share that is left, by Simpson's rule, which is exact for a polynomial in pieces this small.
    const at = (z: number) => (radius - (9 / high) * z) ** 2;
    const integral = (of: (z: number) => number) => {
      const n = 2000;
      const step = high / n;
      let sum = of(0) + of(high);
      for (let i = 1; i < n; i++) sum += (i % 2 === 0 ? 2 : 4) * of(i * step);
      return (sum * step) / 3;
    };
    const share = integral((z) => at(z) * (1 + ((top - 1) * z) / high) ** 2) / integral(at);
    expect(after / before / share).toBeCloseTo(1, 3);
  });

  it('keeps tunnels, steps and closed surfaces', () => {
    const hole = stepOf('hole', 's2', 's1', {
      depth: { type: 'through' },
      facing: 'front',
      placement: on('s1', { y: fromFront(0), z: centredAlong }),
    });
    const { mesh } = made(box, hole, taper(60));
    expect(topologyOf(mesh)).toMatchObject({ openEdges: 0, bodies: 1 });
    expect(genusOf(mesh)).toBe(1);
    expect(new Set(mesh.stepOf)).toEqual(new Set([0, 1]));
  });

  it('is known to later steps: they stand on what it became, and repeat what it became', () => {
    const peg = stepOf('solid', 's2', 's1', {
      solid: { type: 'box', widthMm: 2, depthMm: 2, heightMm: 4 },
      placement: on('s1', { x: fromLeft(2), y: fromFront(2) }),
    });
    const plain = made(box, peg);
    // A peg that was there is tapered too; one that comes after is not.
    const whole = made(box, taper(50)).volumeMm3;
    const later = stepOf('solid', 's2', 's1', {
      solid: { type: 'box', widthMm: 2, depthMm: 2, heightMm: 4 },
      placement: on('s1'),
    });
    expect(made(box, taper(50, 'both', 's5'), later).volumeMm3 - whole).toBeCloseTo(16, 3);
    const earlier = made(box, peg, taper(50));
    expect(earlier.volumeMm3).toBeLessThan(plain.volumeMm3 * 0.75);
    const again = stepOf('repeat', 's8', undefined, {
      of: [{ step: 's1' }],
      pattern: { type: 'row', axis: 'x', count: 2, stepMm: 100 },
    });
    expect(made(box, taper(50, 'both', 's5'), again).volumeMm3).toBeCloseTo(2 * whole, 2);
  });

  it('is known to edges, before it and after it', () => {
    const edges = (id: string): Step =>
      stepOf('edges', id, undefined, { finish: 'round', which: 'upper', mm: 1 });
    const before = made(box, edges('s2'), taper(70));
    const after = made(box, taper(70, 'both', 's2'), edges('s3'));
    for (const { mesh, volumeMm3 } of [before, after]) {
      expect(topologyOf(mesh)).toMatchObject({ openEdges: 0, bodies: 1 });
      const bare = made(box, taper(70)).volumeMm3;
      expect(volumeMm3).toBeLessThan(bare);
      expect(volumeMm3).toBeGreaterThan(bare - 60);
    }
    // The edges that can be chosen are shown where they are now.
    const choosing = stepOf('edges', 's2', undefined, { which: { chosen: [] } });
    const offered = made(box, choosing, taper(70)).steps[1].edges!.flatMap(({ points }) => points);
    const across = (isTop: boolean) =>
      Math.max(...offered.filter(([, , z]) => z > 9 === isTop).map(([x]) => x));
    expect(across(false)).toBeCloseTo(15, 3);
    expect(across(true)).toBeCloseTo(15 * 0.7, 3);
  });

  it('makes letters as much smaller as they are where they stand', () => {
    const letters = stepOf('letters', 's2', 's1', { byMm: 1 });
    const [{ capMm: plain }] = made(box, letters).origin.writings;
    const [{ capMm: small }] = made(box, letters, taper(50)).origin.writings;
    expect(small / plain).toBeGreaterThan(0.49);
    expect(small / plain).toBeLessThan(0.56);
  });

  it('leaves a part that is inspected and sliced like any other', () => {
    const hook = starters.find(({ id }) => id === 'hose-hook')!.recipe;
    const { mesh, origin } = built(workshop, { ...hook, steps: [...hook.steps, taper(70, 'both', 's90')] });
    expect(topologyOf(mesh)).toMatchObject({ openEdges: 0, bodies: 1 });
    const { checks } = inspect(mesh, classroomLimits, { origin });
    for (const check of ['mesh', 'base', 'size', 'bodies'])
      expect(checks.find(({ id }) => id === check)?.verdict, check).toBe('pass');
    expect(slice(workshop.kernel, mesh, everydaySettings).layers.length).toBeGreaterThan(100);
  });

  it('says what it does, and what is missing', () => {
    const recipe = recipeWith([box, taper(80, 'x')]);
    expect(plainSentence(sentenceOf(recipe.steps[1], { recipe, index: 1 }))).toBe(
      'Taper the whole part left to right, to 80% of its size at the top.',
    );
    expect(made(box, taper(80)).steps[1].notes).toEqual([
      'At the top everything becomes 80 % of its size, thin walls and holes as well.',
    ]);
    const nothing = evaluate(recipeWith([taper(80)]), workshop);
    expect(nothing.ok ? '' : nothing.problem.message).toContain('nothing to taper yet');
  });
});
