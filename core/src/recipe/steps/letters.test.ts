import { beforeAll, describe, expect, it } from 'vitest';
import { BLOCK, block } from '../../../test/block.ts';
import { built as builtIn, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { boundsOf, sizeOf, topologyOf } from '../../mesh/index.ts';
import { extentOf, regionAreaOf } from '../../plane/index.ts';
import { centredOn, type Recipe, type Step } from '../../recipe/index.ts';
import { at, fromLeft, on } from '../../starters/places.ts';
import { evaluate, type EvaluationOptions, type Workshop } from '../../solid/index.ts';
import { RegionMath } from '../../solid/regionMath.ts';
import { written } from '../../solid/letters/written.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));
const built = (recipe: Recipe, options?: EvaluationOptions) => builtIn(workshop, recipe, options);
const problem = (recipe: Recipe) => {
  const result = evaluate(recipe, workshop);
  return result.ok ? undefined : result.problem;
};

describe('letters', () => {
  const write = (fields: Partial<Extract<Step, { kind: 'letters' }>>) =>
    stepOf('letters', 's2', 's1', { byMm: 1, ...fields });
  const area = (words: string) =>
    regionAreaOf(
      new RegionMath(workshop.kernel).joined([
        written({ words, font: 'sturdy', size: { by: 'height', mm: 10 } }, workshop.fonts).region,
      ]),
    );

  it('add or take their own area, by the height or depth', () => {
    const write4 = (effect: 'raised' | 'sunk' | 'through') =>
      built(
        recipeWith([
          block,
          write({ lettering: { words: 'Hi', font: 'sturdy', size: { by: 'height', mm: 10 } }, effect }),
        ]),
      ).volumeMm3 - BLOCK;
    // The font turns its outlines clockwise around material.
    const drawn = Math.abs(area('Hi'));
    expect(write4('raised')).toBeCloseTo(drawn, 1);
    expect(write4('sunk')).toBeCloseTo(-drawn, 1);
    expect(write4('through')).toBeCloseTo(-10 * drawn, 0);
  });

  it('stand on every side of a part', () => {
    for (const facing of ['up', 'down', 'front', 'back', 'left', 'right'] as const) {
      const edge =
        facing === 'down' || facing === 'front' || facing === 'left' ? ('low' as const) : ('high' as const);
      const axis = { up: 'z', down: 'z', front: 'y', back: 'y', left: 'x', right: 'x' }[facing];
      const step = write({
        lettering: { words: 'Hi', font: 'sturdy', size: { by: 'height', mm: 6 } },
        facing,
        placement: on('s1', {
          z: { relation: 'centred' },
          [axis]: { relation: 'beside', edge, overlapMm: 0 },
        }),
      });
      const { mesh } = built(recipeWith([block, step]));
      expect(topologyOf(mesh).bodies).toBe(1);
      expect(sizeOf(boundsOf(mesh))[{ x: 0, y: 1, z: 2 }[axis]!]).toBeCloseTo(
        { x: 41, y: 31, z: 11 }[axis]!,
        3,
      );
    }
  });

  it('are centred in what is free, clear of holes and edges', () => {
    const hole = stepOf('hole', 's2', 's1', {
      size: { by: 'diameter', mm: 4 },
      placement: on('s1', { x: fromLeft(6), z: { relation: 'inFrom', edge: 'high', mm: 0 } }),
    });
    const words = { words: 'Hi', font: 'sturdy', size: { by: 'height', mm: 10 } } as const;
    const free = (marginMm: number) =>
      stepOf('letters', 's3', 's1', { lettering: words, free: { marginMm } });
    const { steps } = built(recipeWith([block, hole, free(1)]));
    // The hole ends at −14 + 2 mm and the block at 20 mm: with a margin of 1 mm the middle is (−11 + 19) / 2.
    const { min, max } = steps[2].box;
    expect((min[0] + max[0]) / 2).toBeCloseTo(4, 1);
    expect((min[1] + max[1]) / 2).toBeCloseTo(0, 1);
    expect(problem(recipeWith([block, hole, free(14)]))?.message).toContain('no place that is free');
  });

  describe('as large as fits', () => {
    const into = (words: string, marginMm = 1, rest: Partial<Extract<Step, { kind: 'letters' }>> = {}) =>
      write({
        id: 's9',
        lettering: { words, font: 'sturdy', size: { by: 'room', marginMm } },
        effect: 'sunk',
        ...rest,
      });
    const boxOf = (recipe: Recipe) => built(recipe).steps.at(-1)!.box;
    const disc = stepOf('extrude', 's1', undefined, {
      outline: { shape: 'circle', diameterMm: 40 },
      depth: { type: 'by', mm: 4 },
    });
    /** The height of capitals that the sentence says, rounded down to tenths. */
    const tallOf = (told: readonly string[]) => Number(/they are ([\d.]+) mm tall/.exec(told.join())![1]);

    it('fill a rectangle to its margin, in the middle of it', () => {
      // A wide word on a block of 40 × 30.
      const { min, max } = boxOf(recipeWith([block, into('Basil', 2)]));
      expect(min[0]).toBeCloseTo(-18, 1);
      expect(max[0]).toBeCloseTo(18, 1);
      expect((min[1] + max[1]) / 2).toBeCloseTo(0, 1);
    });

    it('reach the edge of a disc by their outlines and not by their box, in one line or several', () => {
      for (const words of ['A', 'Ed', 'LOVE\nME', 'Оля\nΆρης', 'محمد']) {
        const result = built(recipeWith([disc, into(words, 1)]));
        const { plan, box } = result.steps.at(-1)!;
        expect(Math.hypot(box.max[0] - box.min[0], box.max[1] - box.min[1]) / 2, words).toBeGreaterThan(19);
        const far = plan.flat().map(([x, y]) => Math.hypot(x, y));
        expect(Math.max(...far), words).toBeLessThan(19.01);
        expect(Math.max(...far), words).toBeGreaterThan(18.85);
        expect(topologyOf(result.mesh).openEdges).toBe(0);
      }
    });

    it('say how tall they are, and keep clear of holes', () => {
      const hole = stepOf('hole', 's2', 's1', {
        size: { by: 'diameter', mm: 4 },
        placement: on('s1', { x: fromLeft(6), z: { relation: 'inFrom', edge: 'high', mm: 0 } }),
      });
      const result = built(recipeWith([block, hole, into('HI')]));
      const { box, told } = result.steps.at(-1)!;
      expect(box.min[0]).toBeGreaterThan(-14 + 2 + 0.9);
      expect(Math.floor(10 * (box.max[1] - box.min[1])) / 10).toBeCloseTo(tallOf(told), 0);
      expect(tallOf(built(recipeWith([block, into('HI')])).steps.at(-1)!.told)).toBeGreaterThan(tallOf(told));
    });

    it('are set with the same spaces and along the same circle as letters of that height', () => {
      for (const more of [{ spacingMm: 3 }, { arcMm: 25 }]) {
        const lettering = {
          words: 'Kim',
          font: 'sturdy',
          size: { by: 'room', marginMm: 1 },
          ...more,
        } as const;
        const { plan, told } = built(recipeWith([block, into('', 1, { lettering })])).steps.at(-1)!;
        const tall = { ...lettering, size: { by: 'height', mm: tallOf(told) } } as const;
        const [own, same] = [plan, written(tall, workshop.fonts).region].map((region) => extentOf(region).x);
        expect((own.high - own.low) / (same.high - same.low)).toBeCloseTo(1, 1);
        expect(own.high - own.low).toBeLessThan(38.01);
      }
    });

    it.each([
      ['front', 40],
      ['right', 30],
      ['down', 40],
    ] as const)('fit on the side %s', (facing, across) => {
      const { box } = built(recipeWith([block, into('Hyacinthus', 1, { facing })])).steps.at(-1)!;
      expect(Math.max(box.max[0] - box.min[0], box.max[1] - box.min[1])).toBeCloseTo(across - 2, 1);
    });

    it('are refused where there is nothing to fit into', () => {
      expect(problem(recipeWith([block, into('Hi', 15)]))?.message).toContain('no place that is free');
      const onPlate = into('Hi', 1, { effect: 'raised', placement: centredOn(undefined, at(0, 'low')) });
      expect(problem(recipeWith([onPlate]))?.message).toContain('The plate has no edges');
    });
  });

  it('say that they are level with what they stand on', () => {
    const step = write({
      lettering: { words: 'Hi', font: 'sturdy', size: { by: 'height', mm: 10 } },
      byMm: 10,
      placement: on('s1', { z: at(0, 'low') }),
    });
    expect(built(recipeWith([block, step])).steps[1].notes.join()).toContain('level with what they stand on');
  });
});
