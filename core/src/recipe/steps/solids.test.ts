import { boxMesh } from '../../../test/meshes.ts';
import { beforeAll, describe, expect, it } from 'vitest';
import { square } from '../../../test/block.ts';
import { built as builtIn, genusOf, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { boundsOf, sizeOf, topologyOf } from '../../mesh/index.ts';
import { additionsOf, setField, type Recipe, type Step } from '../../recipe/index.ts';
import { evaluate, type EvaluationOptions, type Workshop } from '../../solid/index.ts';
import { on } from '../../starters/places.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));
const built = (recipe: Recipe, options?: EvaluationOptions) => builtIn(workshop, recipe, options);
const problem = (recipe: Recipe) => {
  const result = evaluate(recipe, workshop);
  return result.ok ? undefined : result.problem;
};

const size = (recipe: Recipe) =>
  sizeOf(boundsOf(built(recipe).mesh)).map((mm) => Math.round(mm * 1000) / 1000);

describe('turned, swept and ready solids', () => {
  const revolved = (nodes: [number, number][], deg = 360) =>
    recipeWith([
      stepOf('revolve', 's1', undefined, {
        profile: {
          shape: 'points',
          nodes: nodes.map(([xMm, yMm]) => ({ xMm, yMm })),
          closed: true,
          smooth: false,
          mirrored: false,
        },
        deg,
      }),
    ]);

  it('turn a profile to the volume of Pappus’ rule, fully or by an angle', () => {
    const tube: [number, number][] = [[10, 0], [14, 0], [14, 6], [10, 6]]; // oxfmt-ignore
    const full = 24 * 2 * Math.PI * 12;
    expect(built(revolved(tube)).volumeMm3 / full).toBeCloseTo(1, 2);
    expect(built(revolved(tube, 90)).volumeMm3 / (full / 4)).toBeCloseTo(1, 2);
    expect(genusOf(built(revolved(tube)).mesh)).toBe(1);
    expect(genusOf(built(revolved(tube, 90)).mesh)).toBe(0);
  });

  it('refuse a profile across its axis', () => {
    expect(problem(revolved([[-2, 0], [5, 0], [5, 5]]))?.message).toContain('crosses its axis'); // oxfmt-ignore
  });

  it('lean by the angle that they say and keep the area of their sections', () => {
    const lean = (leanDeg: number) =>
      recipeWith([
        stepOf('sweep', 's1', undefined, {
          of: { type: 'outline', outline: square(6) },
          heightMm: 20,
          leanDeg,
        }),
      ]);
    const { mesh, volumeMm3 } = built(lean(30));
    expect(volumeMm3).toBeCloseTo(720, 1);
    // An arc that ends at 30° leaves its foot by h tan(15°).
    expect(boundsOf(mesh).max[1]).toBeCloseTo(3 + 20 * Math.tan((15 * Math.PI) / 180), 2);
  });

  it('stand straight where they do not lean, and do not move', () => {
    const step = stepOf('sweep', 's1', undefined, {
      of: { type: 'outline', outline: square(6) },
      heightMm: 20,
      leanDeg: 0,
    });
    const { min, max } = boundsOf(built(recipeWith([step])).mesh);
    expect([...min, ...max]).toEqual([-3, -3, 0, 3, 3, 20]);
  });

  it('are offered to be moved along both ways of the plate', () => {
    const step = stepOf('solid', 's1', undefined, {
      solid: { type: 'box', widthMm: 4, depthMm: 5, heightMm: 6 },
    });
    const paths = additionsOf(step).map(({ path }) => path.join('.'));
    expect(paths).toEqual(expect.arrayContaining(['placement.x', 'placement.y']));
  });

  it('lean no further than the limits card allows, and say so', () => {
    const step = stepOf('sweep', 's1', undefined, {
      of: { type: 'outline', outline: square(6) },
      heightMm: 20,
      leanDeg: 60,
    });
    const { mesh, steps } = built(recipeWith([step]));
    expect(boundsOf(mesh).max[1]).toBeCloseTo(3 + 20 * Math.tan((22.5 * Math.PI) / 180), 2);
    expect(steps[0].notes[0]).toContain('leans 45°, not 60°');
  });

  it.each([
    ['left', [-1, 0]],
    ['right', [1, 0]],
    ['front', [0, -1]],
    ['back', [0, 1]],
  ] as const)('lean to the %s alone', (towards, way) => {
    const outline = square(10);
    const { mesh } = built(
      recipeWith([
        stepOf('sweep', 's1', undefined, {
          of: { type: 'outline', outline },
          heightMm: 20,
          leanDeg: 30,
          towards,
        }),
      ]),
    );
    // An arc that ends at 30° and is 20 mm high goes tan(15°) of that sideways.
    const leanMm = 20 * Math.tan(Math.PI / 12);
    const { min, max } = boundsOf(mesh);
    const more = [0, 1].map((axis) => max[axis] - min[axis] - 10);
    expect(more[0]).toBeCloseTo(Math.abs(way[0]) * leanMm, 2);
    expect(more[1]).toBeCloseTo(Math.abs(way[1]) * leanMm, 2);
  });

  it('that is round is cut as deep as it reaches, where it is not placed otherwise', () => {
    const pocket = (solid: Extract<Step, { kind: 'solid' }>['solid']) => {
      const box = stepOf('solid', 's2', 's1', {
        effect: 'cut',
        placement: on('s1', { z: { relation: 'inFrom', edge: 'high', mm: 0 } }),
        solid: { type: 'box', widthMm: 4, depthMm: 4, heightMm: 2 },
      });
      const changed = setField(recipeWith([stepOf('extrude', 's1', undefined), box]), 's2', ['solid'], solid);
      if (!changed.ok) throw new Error(changed.problem.message);
      return (changed.recipe.steps[1] as Extract<Step, { kind: 'solid' }>).placement.z;
    };
    expect(pocket({ type: 'ball', diameterMm: 8 })).toMatchObject({
      relation: 'inFrom',
      edge: 'high',
      mm: -6,
    });
    expect(pocket({ type: 'ring', outerMm: 24, rodMm: 4 })).toMatchObject({ relation: 'inFrom', mm: -2 });
  });

  it('sweep letters, one body each', () => {
    const { mesh } = built(recipeWith([stepOf('sweep', 's1', undefined)]));
    expect(topologyOf(mesh).bodies).toBe(4);
  });

  it.each([
    [{ type: 'box', widthMm: 4, depthMm: 5, heightMm: 6 }, 120, [4, 5, 6], 1],
    [{ type: 'cylinder', diameterMm: 20, heightMm: 6 }, Math.PI * 600, [20, 20, 6], 0.99],
    [
      { type: 'cone', diameterMm: 20, topMm: 10, heightMm: 6 },
      Math.PI * 2 * (100 + 25 + 50),
      [20, 20, 6],
      0.99,
    ],
    [{ type: 'cone', diameterMm: 20, topMm: 0, heightMm: 6 }, Math.PI * 200, [20, 20, 6], 0.99],
    [{ type: 'ball', diameterMm: 20 }, (4 / 3) * Math.PI * 1000, [20, 20, 20], 0.99],
    [{ type: 'dome', diameterMm: 20 }, (2 / 3) * Math.PI * 1000, [20, 20, 10], 0.99],
    [{ type: 'ring', outerMm: 24, rodMm: 4 }, 2 * Math.PI ** 2 * 10 * 4, [24, 24, 4], 0.98],
    [{ type: 'wedge', widthMm: 10, depthMm: 4, heightMm: 16 }, 320, [10, 4, 16], 1],
  ] as const)('a $type is as large as it says', (solid, volume, expected, least) => {
    const recipe = recipeWith([stepOf('solid', 's1', undefined, { solid })]);
    const share = built(recipe).volumeMm3 / volume;
    expect(share).toBeLessThan(1.00001);
    expect(share).toBeGreaterThan(least - 0.00001);
    expect(size(recipe)).toEqual(expected);
  });

  it.each([
    ['mm', 1],
    ['cm', 10],
    ['in', 25.4],
    ['m', 1000],
  ] as const)('are as large as a file says that is drawn in %s', (unit, unitMm) => {
    const asset = 'a'.repeat(64);
    const sidesOf = [4, 5, 6].map((mm) => mm / unitMm);
    const assets = new Map([[asset, boxMesh(sidesOf as [number, number, number])]]);
    const recipe = recipeWith([stepOf('import', 's1', undefined, { asset, fileName: 'block.stl', unit })]);
    const sizes = sizeOf(boundsOf(built(recipe, { assets }).mesh));
    expect(sizes).toEqual([4, 5, 6].map((mm) => expect.closeTo(mm, 3) as number));
  });

  it('are turned any way before they are placed', () => {
    const solid = { type: 'box', widthMm: 4, depthMm: 5, heightMm: 6 } as const;
    expect(
      size(recipeWith([stepOf('solid', 's1', undefined, { solid, turns: { x: 90, y: 0, z: 90 } })])),
    ).toEqual([6, 4, 5]);
  });
});
