import { beforeAll, describe, expect, it } from 'vitest';
import { BLOCK, block, square } from '../../../test/block.ts';
import { built as builtIn, genusOf, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { boundsOf, sizeOf, topologyOf } from '../../mesh/index.ts';
import { type Recipe } from '../../recipe/index.ts';
import { at, on, onPlate } from '../../starters/places.ts';
import { evaluate, type EvaluationOptions, type Workshop } from '../../solid/index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));
const built = (recipe: Recipe, options?: EvaluationOptions) => builtIn(workshop, recipe, options);

const size = (recipe: Recipe) =>
  sizeOf(boundsOf(built(recipe).mesh)).map((mm) => Math.round(mm * 1000) / 1000);

describe('extrude', () => {
  it.each([
    ['up', [20, 5, 8]],
    ['down', [20, 5, 8]],
    ['front', [20, 8, 5]],
    ['back', [20, 8, 5]],
    ['left', [8, 20, 5]],
    ['right', [8, 20, 5]],
  ] as const)('facing %s stands as it should', (facing, expected) => {
    const bar = stepOf('extrude', 's1', undefined, {
      outline: { shape: 'roundedRectangle', widthMm: 20, depthMm: 5, cornerMm: 0 },
      depth: { type: 'by', mm: 8 },
      facing,
    });
    expect(size(recipeWith([bar]))).toEqual(expected);
    expect(built(recipeWith([bar])).volumeMm3).toBeCloseTo(800, 3);
  });

  it('goes upwards, downwards or both ways from a height', () => {
    const from = (own: 'low' | 'middle' | 'high') => {
      const step = stepOf('extrude', 's1', undefined, {
        depth: { type: 'by', mm: 4 },
        placement: onPlate({ z: at(10, own) }),
      });
      const { min, max } = boundsOf(built(recipeWith([step])).mesh);
      return [min[2], max[2]];
    };
    expect(from('low')).toEqual([10, 14]);
    expect(from('middle')).toEqual([8, 12]);
    expect(from('high')).toEqual([6, 10]);
  });

  it('stands on the top of another step, or reaches into it', () => {
    const post = (overlapMm: number) =>
      stepOf('extrude', 's2', 's1', {
        outline: square(6),
        depth: { type: 'by', mm: 5 },
        placement: on('s1', { z: { relation: 'beside', edge: 'high', overlapMm } }),
      });
    expect(built(recipeWith([block, post(0)])).volumeMm3).toBeCloseTo(BLOCK + 180, 3);
    expect(built(recipeWith([block, post(2)])).volumeMm3).toBeCloseTo(BLOCK + 108, 3);
    expect(topologyOf(built(recipeWith([block, post(0)])).mesh).bodies).toBe(1);
  });

  it.each(['up', 'down', 'front', 'back', 'left', 'right'] as const)(
    'cuts a pocket into the side that faces %s',
    (facing) => {
      const edge =
        facing === 'down' || facing === 'front' || facing === 'left' ? ('low' as const) : ('high' as const);
      const axis = { up: 'z', down: 'z', front: 'y', back: 'y', left: 'x', right: 'x' }[facing];
      const pocket = stepOf('extrude', 's2', 's1', {
        effect: 'cut',
        outline: square(4),
        facing,
        depth: { type: 'by', mm: 3 },
        placement: on('s1', { z: { relation: 'centred' }, [axis]: { relation: 'inFrom', edge, mm: 0 } }),
      });
      const { mesh, volumeMm3 } = built(recipeWith([block, pocket]));
      expect(volumeMm3).toBeCloseTo(BLOCK - 48, 3);
      expect(genusOf(mesh)).toBe(0);
    },
  );

  it('cuts right through, whatever is there', () => {
    for (const facing of ['up', 'front', 'right'] as const) {
      const cut = stepOf('extrude', 's2', 's1', {
        effect: 'cut',
        outline: square(4),
        facing,
        depth: { type: 'through' },
        placement: on('s1', { z: { relation: 'centred' } }),
      });
      const { mesh, volumeMm3 } = built(recipeWith([block, cut]));
      expect(volumeMm3).toBeCloseTo(BLOCK - 16 * { up: 10, front: 30, right: 40 }[facing], 3);
      expect(genusOf(mesh)).toBe(1);
    }
  });

  it('keeps only what lies inside', () => {
    const keep = stepOf('extrude', 's2', 's1', {
      effect: 'keep',
      outline: square(20),
      depth: { type: 'through' },
    });
    expect(built(recipeWith([block, keep])).volumeMm3).toBeCloseTo(4000, 3);
  });

  it('tapers to a frustum, narrower for material and wider towards the opening of a cut', () => {
    const slope = Math.tan((10 * Math.PI) / 180);
    const frustum = (wide: number, narrow: number, high: number) =>
      (high / 3) * (wide ** 2 + narrow ** 2 + wide * narrow);
    const tapered = { outline: square(12), taperDeg: 10 };
    const peg = stepOf('extrude', 's1', undefined, { ...tapered, depth: { type: 'by', mm: 8 } });
    expect(built(recipeWith([peg])).volumeMm3).toBeCloseTo(frustum(12, 12 - 16 * slope, 8), 1);
    const pocket = stepOf('extrude', 's2', 's1', {
      ...tapered,
      effect: 'cut',
      depth: { type: 'by', mm: 4 },
      placement: on('s1', { z: { relation: 'inFrom', edge: 'high', mm: 0 } }),
    });
    expect(BLOCK - built(recipeWith([block, pocket])).volumeMm3).toBeCloseTo(
      frustum(12, 12 - 8 * slope, 4),
      1,
    );
  });

  it('takes up the outline of another step, grown or shrunk', () => {
    const lid = stepOf('extrude', 's2', 's1', {
      outline: { shape: 'ofStep', of: { step: 's1' }, growMm: -5 },
      depth: { type: 'by', mm: 2 },
    });
    expect(built(recipeWith([block, lid])).volumeMm3).toBeCloseTo(BLOCK + 30 * 20 * 2, 3);
  });

  it('says so when a taper and a finish each fit and together leave nothing', () => {
    const groove = stepOf('extrude', 's2', 's1', {
      effect: 'cut',
      outline: { shape: 'ring', outerMm: 10.4, innerMm: 7.1 },
      depth: { type: 'by', mm: 7.8 },
      taperDeg: 0.7,
      bottom: { finish: 'fillet', mm: 0.8 },
      placement: on('s1', { z: { relation: 'inFrom', edge: 'high', mm: 0 } }),
    });
    expect(evaluate(recipeWith([block, groove]), workshop)).toMatchObject({
      ok: false,
      problem: { stepId: 's2', path: ['taperDeg'], message: expect.stringContaining('closes up') as string },
    });
  });
});
