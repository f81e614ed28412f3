import fc from 'fast-check';
import { beforeAll, expect, it } from 'vitest';
import { built, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import type { Vec3 } from '../../mesh/index.ts';
import type { Workshop } from '../../solid/index.ts';
import type { Step } from './index.ts';
import type { OfferedEdge } from './stepKind.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

/** The sizes of a plate with a wall on it and a hole through it, mm. */
interface Sizes {
  readonly wide: number;
  readonly deep: number;
  readonly high: number;
  readonly wallWide: number;
  readonly wallHigh: number;
  readonly hole: number;
}

const anySizes: fc.Arbitrary<Sizes> = fc.record({
  wide: fc.integer({ min: 40, max: 90 }),
  deep: fc.integer({ min: 16, max: 40 }),
  high: fc.integer({ min: 2, max: 9 }),
  wallWide: fc.integer({ min: 3, max: 9 }),
  wallHigh: fc.integer({ min: 5, max: 30 }),
  hole: fc.integer({ min: 3, max: 8 }),
});

function partOf(sizes: Sizes, edges: Step): Step[] {
  const centred = { relation: 'centred' as const };
  return [
    stepOf('extrude', 's1', undefined, {
      outline: { shape: 'roundedRectangle', widthMm: sizes.wide, depthMm: sizes.deep, cornerMm: 0 },
      depth: { type: 'by', mm: sizes.high },
    }),
    stepOf('solid', 's2', 's1', {
      solid: { type: 'box', widthMm: sizes.wallWide, depthMm: sizes.deep - 6, heightMm: sizes.wallHigh },
    }),
    stepOf('hole', 's3', 's1', {
      size: { by: 'diameter', mm: sizes.hole },
      placement: {
        on: { step: 's1' },
        x: { relation: 'share', percent: 20 },
        y: centred,
        z: { relation: 'inFrom', edge: 'high', mm: 0 },
      },
    }),
    edges,
  ];
}

/** The edges that are known by reckoning, each by the middle that it has at some sizes. */
const known: Readonly<Record<string, (sizes: Sizes) => Vec3>> = {
  'front top of the plate': ({ deep, high }) => [0, -deep / 2, high],
  'right back upright of the plate': ({ wide, deep, high }) => [wide / 2, deep / 2, high / 2],
  'left bottom of the plate': ({ wide }) => [-wide / 2, 0, 0],
  'left top of the wall': ({ wallWide, wallHigh, high }) => [-wallWide / 2, 0, high + wallHigh],
  'right foot of the wall': ({ wallWide, high }) => [wallWide / 2, 0, high],
  'back foot of the wall': ({ deep, high }) => [0, (deep - 6) / 2, high],
  'upper rim of the hole': ({ wide, high }) => [-0.3 * wide, 0, high],
  'lower rim of the hole': ({ wide }) => [-0.3 * wide, 0, 0],
};

const middle = ({ points }: OfferedEdge): Vec3 => {
  const [low, high] = [Math.min, Math.max].map((pick) =>
    [0, 1, 2].map((i) => pick(...points.map((p) => p[i]))),
  );
  return [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2, (low[2] + high[2]) / 2];
};

const step = (chosen: readonly OfferedEdge['name'][]): Step =>
  stepOf('edges', 'e', undefined, { which: { chosen: [...chosen] }, mm: 0.3 });
const offered = (sizes: Sizes, chosen: readonly OfferedEdge['name'][]) =>
  built(workshop, recipeWith(partOf(sizes, step(chosen)))).steps.at(-1)!;

it('an edge that was chosen is the one that was meant, whatever the sizes become', () => {
  fc.assert(
    fc.property(
      anySizes,
      anySizes,
      fc.subarray(Object.keys(known), { minLength: 1, maxLength: 4 }),
      (before, after, meant) => {
        const all = offered(before, []).edges!;
        const names = meant.map((name) => {
          const [x, y, z] = known[name](before);
          const found = all.filter(
            (edge) => Math.hypot(...[x, y, z].map((mm, i) => mm - middle(edge)[i])) < 0.01,
          );
          expect(found).toHaveLength(1);
          return found[0].name;
        });
        const { edges, notes } = offered(after, names);
        const sorted = (places: readonly Vec3[]) =>
          places.map((place) => place.map((mm) => mm.toFixed(2)).join(' ')).sort();
        expect(notes).toEqual([]);
        expect(sorted(edges!.filter(({ isChosen }) => isChosen).map(middle))).toEqual(
          sorted(meant.map((name) => known[name](after))),
        );
      },
    ),
    { numRuns: 40 },
  );
});

it('an edge that is gone is said to be, and no other is taken for it', () => {
  const sizes: Sizes = { wide: 60, deep: 20, high: 4, wallWide: 4, wallHigh: 10, hole: 5 };
  const all = offered(sizes, []).edges!;
  const rim = all.filter(({ name }) => name.steps.includes('s3')).map(({ name }) => name);
  expect(rim).toHaveLength(2);
  const without = partOf(sizes, step(rim)).filter(({ id }) => id !== 's3');
  const outcome = built(workshop, recipeWith(without)).steps.at(-1)!;
  expect(outcome.notes[0]).toBe('2 edges that were chosen are gone. Choose again.');
  expect(outcome.edges!.filter(({ isChosen }) => isChosen)).toEqual([]);
});
