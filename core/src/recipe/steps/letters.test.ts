import { beforeAll, describe, expect, it } from 'vitest';
import { BLOCK, block } from '../../../test/block.ts';
import { built as builtIn, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { boundsOf, sizeOf, topologyOf } from '../../mesh/index.ts';
import { regionAreaOf } from '../../plane/index.ts';
import { type Recipe, type Step } from '../../recipe/index.ts';
import { at, fromLeft, on } from '../../starters/places.ts';
import { evaluate, type EvaluationOptions, type Workshop } from '../../solid/index.ts';

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
      workshop.fonts('sturdy')!.outlines({ words, font: 'sturdy', size: { by: 'height', mm: 10 } }).region,
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

  it('say that they are level with what they stand on', () => {
    const step = write({
      lettering: { words: 'Hi', font: 'sturdy', size: { by: 'height', mm: 10 } },
      byMm: 10,
      placement: on('s1', { z: at(0, 'low') }),
    });
    expect(built(recipeWith([block, step])).steps[1].notes.join()).toContain('level with what they stand on');
  });
});
