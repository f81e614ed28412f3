import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { genusOf, built, recipeWith, stepOf } from '../../test/evaluated.ts';
import { facesOf, topologyOf, triangleCount, type SolidMesh } from '../mesh/index.ts';
import { circlePoints, moved, regionAreaOf, type Region } from '../plane/index.ts';
import type { EdgeFinish, Recipe } from '../recipe/index.ts';
import { written as lettersOf } from './letters/written.ts';
import { RegionMath } from './regionMath.ts';
import type { Workshop } from './evaluate.ts';
import { SolidCache } from './solidCache.ts';

let workshop: Workshop;
beforeAll(async () => {
  workshop = await nodeWorkshop();
});

const plate: Region = [[[-20, -10], [20, -10], [20, 10], [-20, 10]]]; // oxfmt-ignore

/** A plate of 40 × 20 × 3 mm with holes of Ø 4 mm, their middles counted from the plate's. */
function drilled(holes: readonly (readonly [number, number])[]): Recipe {
  return recipeWith([
    stepOf('extrude', 's1', undefined, {
      outline: { shape: 'roundedRectangle', widthMm: 40, depthMm: 20, cornerMm: 0 },
      depth: { type: 'by', mm: 3 },
    }),
    ...holes.map(([x, y], i) =>
      stepOf('hole', `h${i}`, 's1', {
        size: { by: 'diameter', mm: 4 },
        placement: {
          on: { step: 's1' },
          x: { relation: 'centred', mm: x },
          y: { relation: 'centred', mm: y },
          z: { relation: 'inFrom', edge: 'high', mm: 0 },
        },
      }),
    ),
  ]);
}

describe('holes through a plate', () => {
  it('leave as much as in the plane, wherever they lie: apart, across each other, over the edge', () => {
    const math = new RegionMath(workshop.kernel);
    const place = fc.tuple(fc.integer({ min: -21, max: 21 }), fc.integer({ min: -11, max: 11 }));
    fc.assert(
      fc.property(fc.array(place, { minLength: 1, maxLength: 5 }), (holes) => {
        const circles = holes.flatMap(([x, y]) => moved([circlePoints(2)], x, y));
        const left = regionAreaOf(math.without(plate, math.joined(circles.map((each) => [each]))));
        const { volumeMm3, mesh } = built(workshop, drilled(holes));
        expect(volumeMm3).toBeCloseTo(3 * left, 2);
        // A negative count of openings would mean a surface that is not closed.
        expect(genusOf(mesh)).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 60 },
    );
  });

  it('give every wall to the step that cut it, and both faces to the plate', () => {
    const { mesh } = built(workshop, drilled([[-10, 0], [0, 3], [10, 0]])); // oxfmt-ignore
    expect(genusOf(mesh)).toBe(3);
    const { areas } = facesOf(mesh);
    const areaOf = [0, 0, 0, 0];
    for (let t = 0; t < triangleCount(mesh); t++) areaOf[mesh.stepOf![t]] += areas[t];
    const circle = circlePoints(2);
    const wall =
      3 *
      circle.reduce((sum, [x, y], i) => {
        const [nx, ny] = circle[(i + 1) % circle.length];
        return sum + Math.hypot(nx - x, ny - y);
      }, 0);
    const rest = 2 * (800 - 3 * regionAreaOf([circle])) + 3 * 120;
    [rest, wall, wall, wall].forEach((area, step) => expect(areaOf[step]).toBeCloseTo(area, 2));
  });

  it('carry on into later steps like any other part', () => {
    const recipe = drilled([[-10, 0], [10, 0]]); // oxfmt-ignore
    const slot = stepOf('extrude', 'slot', 's1', {
      effect: 'cut',
      outline: { shape: 'slot', lengthMm: 24, widthMm: 2 },
      depth: { type: 'through' },
    });
    const { volumeMm3, mesh } = built(workshop, { ...recipe, steps: [...recipe.steps, slot] });
    expect(genusOf(mesh)).toBe(1);
    const math = new RegionMath(workshop.kernel);
    const holes = [-10, 10].map((x) => moved([circlePoints(2)], x, 0));
    const cut: Region = [[[-11, -1], [11, -1], [11, 1], [-11, 1]]]; // oxfmt-ignore
    // The slot's round ends lie in the holes.
    expect(volumeMm3).toBeCloseTo(3 * regionAreaOf(math.without(plate, math.joined([...holes, cut]))), 1);
  });
});

/** The triangles as words, with the steps that made them, in an order of their own. */
function trianglesOf({ positions, triangles, stepOf }: SolidMesh): string[] {
  const corner = (v: number) => [...positions.subarray(3 * v, 3 * v + 3)].join(' ');
  return Array.from({ length: triangles.length / 3 }, (_, t) => {
    const corners = [0, 1, 2].map((i) => corner(triangles[3 * t + i]));
    const first = corners.indexOf([...corners].sort()[0]);
    return [stepOf![t], ...corners.slice(first), ...corners.slice(0, first)].join(', ');
  }).sort();
}

describe('letters on a block', () => {
  const letters = (effect: 'raised' | 'sunk' | 'through', words = 'Bog') =>
    stepOf('letters', 's2', 's1', {
      lettering: { words, font: 'sturdy', size: { by: 'height', mm: 9 } },
      effect,
      byMm: 1,
    });
  const base = (top?: EdgeFinish) =>
    stepOf('extrude', 's1', undefined, {
      outline: { shape: 'roundedRectangle', widthMm: 40, depthMm: 20, cornerMm: 3 },
      depth: { type: 'by', mm: 3 },
      top,
    });
  const written = (effect: 'raised' | 'sunk' | 'through', top?: EdgeFinish) =>
    built(workshop, recipeWith([base(top), letters(effect)]));

  it.each([
    ['raised', 1],
    ['sunk', -1],
    ['through', -3],
  ] as const)('change the volume by their area times their height when %s', (effect, mm) => {
    const bog = { words: 'Bog', font: 'sturdy', size: { by: 'height', mm: 9 } } as const;
    const { region } = lettersOf(bog, workshop.fonts);
    const area = regionAreaOf(new RegionMath(workshop.kernel).joined([region]));
    for (const top of [undefined, { finish: 'chamfer', mm: 0.6 }, { finish: 'fillet', mm: 1 }] as const) {
      const plain = built(workshop, recipeWith([base(top)]));
      const { volumeMm3, mesh } = written(effect, top);
      expect(volumeMm3 - plain.volumeMm3).toBeCloseTo(mm * area, 1);
      expect(topologyOf(mesh).openEdges).toBe(0);
    }
  });

  it('come out the same whether they were drawn at once or dragged there, close to an edge or not', () => {
    const cache = new SolidCache();
    const on = (widthMm: number, effect: 'raised' | 'sunk' | 'through') =>
      recipeWith([
        stepOf('extrude', 's1', undefined, {
          outline: { shape: 'roundedRectangle', widthMm, depthMm: 20, cornerMm: 0 },
          depth: { type: 'by', mm: 3 },
        }),
        letters(effect),
      ]);
    const widest = built(workshop, on(60, 'raised'));
    const letterMm = widest.steps[1].box.max[0] - widest.steps[1].box.min[0];
    for (const effect of ['raised', 'sunk', 'through'] as const) {
      const added = built(workshop, on(60, effect)).volumeMm3 - 60 * 20 * 3;
      // So little is left beside the letters that there is no room for a frame around them, or plenty.
      for (const beside of [20, 0.6, 0.4, 0.02, 8]) {
        const recipe = on(letterMm + beside, effect);
        const dragged = built(workshop, recipe, { cache });
        const atOnce = built(workshop, recipe);
        expect(trianglesOf(dragged.mesh)).toEqual(trianglesOf(atOnce.mesh));
        expect(topologyOf(dragged.mesh).openEdges).toBe(0);
        expect(dragged.volumeMm3 - (letterMm + beside) * 20 * 3).toBeCloseTo(added, 1);
      }
    }
    cache.close();
  });

  it('leave the insides of their bowls where they were', () => {
    // B, o and g have four bowls: as islands of their own when the letters go right through.
    expect(topologyOf(written('through').mesh).bodies).toBe(5);
    expect(topologyOf(written('raised').mesh).bodies).toBe(1);
    expect(topologyOf(written('sunk').mesh).bodies).toBe(1);
  });

  it('are carved out where a later cut crosses them, and grown together where letters cross', () => {
    const both = recipeWith([base(), letters('raised', 'o'), { ...letters('raised', 'o'), id: 's3' }]);
    const once = built(workshop, recipeWith([base(), letters('raised', 'o')]));
    expect(built(workshop, both).volumeMm3).toBeCloseTo(once.volumeMm3, 3);
    const slot = stepOf('extrude', 's4', 's1', {
      effect: 'cut',
      outline: { shape: 'roundedRectangle', widthMm: 50, depthMm: 40, cornerMm: 0 },
      depth: { type: 'through' },
    });
    expect(built(workshop, { ...both, steps: [...both.steps, slot] }).mesh.triangles).toHaveLength(0);
  });
});
