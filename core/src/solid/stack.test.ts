import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { built as builtIn, recipeWith, stepOf } from '../../test/evaluated.ts';
import { topologyOf, volumeOf, type SolidMesh } from '../mesh/index.ts';
import { circlePoints, regionAreaOf, type Region } from '../plane/index.ts';
import type { EdgeFinish, OutlineSpec, Recipe } from '../recipe/index.ts';
import { evaluate, inScope, RegionMath, Sections, type Workshop } from './index.ts';
import { bodyOfBlock } from './block.ts';
import { sectionsOf } from './stack.ts';
import { toMesh } from './toMesh.ts';

let workshop: Workshop;
let math: RegionMath;
beforeAll(async () => {
  workshop = await nodeWorkshop();
  math = new RegionMath(workshop.kernel);
});

const HEIGHT = 8;
const raised = (outline: OutlineSpec, top?: EdgeFinish, bottom?: EdgeFinish): Recipe =>
  recipeWith([
    stepOf('extrude', 's1', undefined, { outline, depth: { type: 'by', mm: HEIGHT }, top, bottom }),
  ]);
const solid = (recipe: Recipe) => builtIn(workshop, recipe);
const finish = (kind: 'chamfer' | 'fillet', mm: number): EdgeFinish => ({ finish: kind, mm });

const rectangle: OutlineSpec = { shape: 'roundedRectangle', widthMm: 40, depthMm: 24, cornerMm: 0 };
const rounded: OutlineSpec = { shape: 'roundedRectangle', widthMm: 40, depthMm: 24, cornerMm: 5 };
const disc: OutlineSpec = { shape: 'circle', diameterMm: 30 };
const ring: OutlineSpec = { shape: 'ring', outerMm: 40, innerMm: 20 };
/** An outline with an inner corner. */
const angle: OutlineSpec = {
  shape: 'points',
  nodes: [
    { xMm: 0, yMm: 0 },
    { xMm: 30, yMm: 0 },
    { xMm: 30, yMm: 10 },
    { xMm: 10, yMm: 10 },
    { xMm: 10, yMm: 30 },
    { xMm: 0, yMm: 30 },
  ],
  closed: true,
  smooth: false,
  mirrored: false,
};

/** The area of each outline shrunk by d, with corners kept sharp: exact, from plane geometry. */
const areaShrunkBy: [string, OutlineSpec, (d: number) => number][] = [
  ['straight', rectangle, (d) => (40 - 2 * d) * (24 - 2 * d)],
  ['rounded', rounded, (d) => (40 - 2 * d) * (24 - 2 * d) - (4 - Math.PI) * (5 - d) ** 2],
  ['curved', disc, (d) => Math.PI * (15 - d) ** 2],
  ['inner and outer', ring, (d) => Math.PI * ((20 - d) ** 2 - (10 + d) ** 2)],
  ['cornered inwards', angle, (d) => 500 - d * 120 + 4 * d * d],
];

/** The integral of f from 0 to 1 by Simpson's rule. */
function integral(f: (t: number) => number, n = 400): number {
  let sum = f(0) + f(1);
  for (let i = 1; i < n; i++) sum += f(i / n) * (i % 2 === 1 ? 4 : 2);
  return sum / (3 * n);
}

/** How far in the surface is at a share of the height of a finish of size c. */
const inset = {
  chamfer: (c: number) => (t: number) => c * t,
  fillet: (c: number) => (t: number) => c * (1 - Math.sqrt(1 - t * t)),
};

/** Every level section of a mesh has the area that it must have, so that its surface crosses itself nowhere. */
function expectSections(mesh: SolidMesh, areaAt: (z: number) => number): void {
  inScope((scope) => {
    const sections = new Sections(workshop.kernel, scope, mesh);
    for (let z = 0.05; z < HEIGHT; z += 0.31) {
      expect(sections.at(scope, z).mm2() / areaAt(z)).toBeCloseTo(1, 1);
    }
  });
}

describe.each(areaShrunkBy)('a finished edge that is %s', (_, outline, area) => {
  it.each(['chamfer', 'fillet'] as const)(
    'has the right volume with a %s, small and large, above and below',
    (kind) => {
      for (const c of [0.3, 1, 2.4]) {
        const edge = c * integral((t) => area(inset[kind](c)(t)));
        const top = solid(raised(outline, finish(kind, c)));
        expect(topologyOf(top.mesh).openEdges).toBe(0);
        expect(Math.abs(top.volumeMm3 / (area(0) * (HEIGHT - c) + edge) - 1)).toBeLessThan(0.005);
        const both = solid(raised(outline, finish(kind, c), finish('chamfer', c)));
        const chamfer = c * integral((t) => area(c * t));
        expect(Math.abs(both.volumeMm3 / (area(0) * (HEIGHT - 2 * c) + edge + chamfer) - 1)).toBeLessThan(
          0.005,
        );
      }
    },
  );

  it.each(['chamfer', 'fillet'] as const)(
    'takes the largest %s that fits, crosses itself nowhere, and names it beyond',
    (kind) => {
      const tooLarge = evaluate(raised(outline, finish(kind, 50)), workshop);
      if (tooLarge.ok) throw new Error('It was taken.');
      const most = Number(
        /The largest \w+ that fits here is ([\d.]+) mm/.exec(tooLarge.problem.message)?.[1],
      );
      expect(tooLarge.problem.path).toEqual(['top', 'mm']);
      expect(most).toBeGreaterThan(4.5);
      expect(most).toBeLessThanOrEqual(HEIGHT);
      const { mesh } = solid(raised(outline, finish(kind, most)));
      expect(topologyOf(mesh).openEdges).toBe(0);
      expectSections(mesh, (z) => {
        const share = Math.max(0, (z - (HEIGHT - most)) / most);
        return area(inset[kind](most)(share));
      });
      expect(evaluate(raised(outline, finish(kind, most + 0.02)), workshop).ok).toBe(false);
    },
  );
});

it('finishes the outer edge alone when it is told to', () => {
  const recipe = recipeWith([
    stepOf('extrude', 's1', undefined, {
      outline: ring,
      depth: { type: 'by', mm: HEIGHT },
      top: finish('chamfer', 2),
      finishes: 'outer',
    }),
  ]);
  const cone = (Math.PI * 2 * (20 ** 2 + 18 ** 2 + 20 * 18)) / 3;
  const exact = Math.PI * 400 * (HEIGHT - 2) + cone - Math.PI * 100 * HEIGHT;
  expect(solid(recipe).volumeMm3 / exact).toBeCloseTo(1, 2);
});

it('finishes the rims of openings alone when it is told to', () => {
  const recipe = recipeWith([
    stepOf('extrude', 's1', undefined, {
      outline: ring,
      depth: { type: 'by', mm: HEIGHT },
      top: finish('chamfer', 2),
      bottom: finish('fillet', 1),
      finishes: 'openings',
    }),
  ]);
  const cone = (Math.PI * 2 * (10 ** 2 + 12 ** 2 + 10 * 12)) / 3;
  // A quarter round of radius 1 that opens a bore of radius 10 downwards.
  const flare = Math.PI * integral((t) => (10 + 1 - Math.sqrt(1 - (1 - t) ** 2)) ** 2);
  const exact = Math.PI * 400 * HEIGHT - cone - flare - Math.PI * 100 * (HEIGHT - 3);
  expect(solid(recipe).volumeMm3 / exact).toBeCloseTo(1, 2);
});

it('widens the rim of a cut', () => {
  const recipe = recipeWith([
    stepOf('extrude', 's1', undefined, { outline: rectangle, depth: { type: 'by', mm: HEIGHT } }),
    stepOf('extrude', 's2', 's1', {
      effect: 'cut',
      outline: { shape: 'roundedRectangle', widthMm: 10, depthMm: 8, cornerMm: 0 },
      depth: { type: 'by', mm: 3 },
      top: finish('chamfer', 1),
      placement: {
        on: { step: 's1' },
        x: { relation: 'centred' },
        y: { relation: 'centred' },
        z: { relation: 'inFrom', edge: 'high', mm: 0 },
      },
    }),
  ]);
  const rim = integral((t) => (10 + 2 * t) * (8 + 2 * t));
  expect(40 * 24 * HEIGHT - solid(recipe).volumeMm3).toBeCloseTo(80 * 2 + rim, 1);
});

it('is closed and has the volume of its sections, for any outline and any levels', () => {
  const tenths = (low: number, high: number) =>
    fc.integer({ min: low * 10, max: high * 10 }).map((n) => n / 10);
  const level = fc.record({ upMm: tenths(0.1, 3), growMm: tenths(-1.5, 3) });
  const star: Region = [circlePoints(10).map(([x, y], i) => (i % 3 === 0 ? [x * 0.6, y * 0.6] : [x, y]))];
  const shapes: Region[] = [[circlePoints(10)], [circlePoints(10), circlePoints(5).reverse()], star];
  fc.assert(
    fc.property(
      fc.constantFrom(...shapes),
      fc.array(level, { minLength: 1, maxLength: 6 }),
      (region, steps) => {
        // What vanishes cannot be stacked; steps refuse it before they ask.
        fc.pre(steps.every(({ growMm }) => math.canGrow(region, growMm)));
        let atMm = 0;
        const levels = [
          { atMm: 0, growMm: 0 },
          ...steps.map(({ upMm, growMm }) => ({ atMm: (atMm += upMm), growMm })),
        ];
        const sections = sectionsOf(math, region, levels);
        const block = { sections, original: -1, features: [] };
        const mesh = inScope((scope) => toMesh(scope.keep(bodyOfBlock(workshop.kernel, block))));
        expect(topologyOf(mesh).openEdges).toBe(0);
        const areas = levels.map(({ growMm }) => regionAreaOf(math.grown(region, growMm, 'sharp')));
        // Between two levels the volume lies between those of the two prisms.
        let [low, high] = [0, 0];
        levels.slice(1).forEach((each, i) => {
          const mm = each.atMm - levels[i].atMm;
          low += mm * Math.min(areas[i], areas[i + 1]);
          high += mm * Math.max(areas[i], areas[i + 1]);
        });
        expect(volumeOf(mesh)).toBeGreaterThan(low * 0.999);
        expect(volumeOf(mesh)).toBeLessThan(high * 1.001);
      },
    ),
    { numRuns: 60 },
  );
});
