import fc from 'fast-check';
import type { Box } from '../../mesh/index.ts';
import type { Region } from '../../plane/index.ts';
import { middleIn } from './freeRoom.ts';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { block } from '../../../test/block.ts';
import { built, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { boundsOf, sizeOf } from '../../mesh/index.ts';
import { evaluate, type Workshop } from '../../solid/index.ts';
import { at, on } from '../../starters/places.ts';
import type { Step } from '../index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const [wide, deep] = [40, 30];
const post = (xMm: number, yMm: number, acrossMm: number) =>
  stepOf('extrude', 's2', 's1', {
    outline: { shape: 'circle', diameterMm: acrossMm },
    placement: on('s1', { x: at(xMm), y: at(yMm) }),
  });
const square = { shape: 'roundedRectangle', widthMm: 6, depthMm: 4, cornerMm: 0 } as const;
const free = { marginMm: 2 };
const things: [string, Step][] = [
  ['a hole', stepOf('hole', 's3', 's1', { size: { by: 'diameter', mm: 5 }, free })],
  ['a shape that is raised', stepOf('extrude', 's3', 's1', { outline: square, free })],
  ['a shape that is cut', stepOf('extrude', 's3', 's1', { effect: 'cut', depth: { type: 'through' }, outline: square, free })], // oxfmt-ignore
  ['a ready solid', stepOf('solid', 's3', 's1', { solid: { type: 'box', widthMm: 6, depthMm: 6, heightMm: 3 }, free })], // oxfmt-ignore
  ['what is turned', stepOf('revolve', 's3', 's1', { free })],
];

describe.each(things)('%s in the middle of the free space', (_, thing) => {
  it('is in the middle of the longer side of a post, by hand', () => {
    const { steps } = built(workshop, recipeWith([block, post(-10, 0, 10), thing]));
    // Between the post, which ends at −5, and the edge at 20, with the same margin on both sides.
    const { min, max } = steps[2].box;
    expect((min[0] + max[0]) / 2).toBeCloseTo(7.5, 1);
    expect((min[1] + max[1]) / 2).toBeCloseTo(0, 1);
  });

  it('keeps its distance from the edges and from what stands there, wherever that is', () => {
    fc.assert(
      fc.property(fc.integer({ min: -12, max: 12 }), fc.integer({ min: -8, max: 8 }), (xMm, yMm) => {
        const { steps } = built(workshop, recipeWith([block, post(xMm, yMm, 8), thing]));
        const { min, max } = steps[2].box;
        expect(min[0]).toBeGreaterThan(-wide / 2 + 1.99);
        expect(max[0]).toBeLessThan(wide / 2 - 1.99);
        expect(min[1]).toBeGreaterThan(-deep / 2 + 1.99);
        expect(max[1]).toBeLessThan(deep / 2 - 1.99);
        const away = [0, 1].map((i) => Math.max(min[i] - [xMm, yMm][i], [xMm, yMm][i] - max[i], 0));
        expect(Math.hypot(...away)).toBeGreaterThan(4 + 1.9);
      }),
      { numRuns: 20 },
    );
  });

  it('says so where there is no room for it', () => {
    const tight = { ...thing, free: { marginMm: deep / 2 } } as Step;
    const made = evaluate(recipeWith([block, tight]), workshop);
    expect(made.ok ? undefined : made.problem).toMatchObject({ stepId: 's3', path: ['free', 'marginMm'] });
  });
});

it('begins where the middle lines meet what is free, whichever of them does', () => {
  const face: Box = { min: [0, 0, 0], max: [20, 20, 0] };
  const strip = (x0: number, y0: number, x1: number, y1: number): Region => [
    [[x0, y0], [x1, y0], [x1, y1], [x0, y1]], // oxfmt-ignore
  ];
  expect(middleIn(strip(2, 1, 20, 5), face)).toEqual([11, 3]);
  expect(middleIn(strip(1, 2, 5, 20), face)).toEqual([3, 11]);
  // Neither line meets the corner that is free.
  expect(middleIn(strip(0, 0, 4, 6), face)).toEqual([2, 3]);
});

it('on a side, a shape goes to what is free of that side', () => {
  const stud = stepOf('extrude', 's2', 's1', { facing: 'front', outline: { shape: 'circle', diameterMm: 6 }, placement: on('s1', { x: at(-8), y: { relation: 'beside', edge: 'low', overlapMm: 0 }, z: { relation: 'centred' } }) }); // oxfmt-ignore
  const hole = stepOf('hole', 's3', 's1', {
    facing: 'front',
    size: { by: 'diameter', mm: 3 },
    placement: on('s1', { y: { relation: 'inFrom', edge: 'low', mm: 0 }, z: { relation: 'centred' } }),
    free: { marginMm: 1 },
  });
  const { steps, mesh } = built(workshop, recipeWith([block, stud, hole]));
  expect(sizeOf(boundsOf(mesh))[1]).toBeCloseTo(32.6, 3);
  // Between the stud, which ends at −5, and the edge at 20.
  expect((steps[2].box.min[0] + steps[2].box.max[0]) / 2).toBeCloseTo(7.5, 1);
});
