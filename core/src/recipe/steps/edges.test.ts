import { beforeAll, describe, expect, it } from 'vitest';
import { built, genusOf, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { boundsOf, topologyOf } from '../../mesh/index.ts';
import { evaluate, type Workshop } from '../../solid/index.ts';
import { edgeNameWords, edgeTapped } from '../chosenEdges.ts';
import type { Step } from './index.ts';
import type { EdgesStep } from './edges.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

type Extrude = Extract<Step, { kind: 'extrude' }>;
const raised = (id: string, outline: Extrude['outline'], mm: number, on?: string): Step =>
  stepOf('extrude', id, on, { outline, depth: { type: 'by', mm } });
const rectangle = (widthMm: number, depthMm: number): Extrude['outline'] => ({
  shape: 'roundedRectangle',
  widthMm,
  depthMm,
  cornerMm: 0,
});
const drawn = (...nodes: [number, number][]) => ({
  shape: 'points' as const,
  nodes: nodes.map(([xMm, yMm]) => ({ xMm, yMm })),
  closed: true,
  smooth: false,
  mirrored: false,
});
const edges = (fields: Partial<EdgesStep>): Step =>
  stepOf('edges', 'e', undefined, { which: 'all', ...fields });
const of = (step: string) => ({ step });

/** Builds, and holds what holds of every part with its edges finished. */
function solid(...steps: Step[]) {
  const evaluated = built(workshop, recipeWith(steps));
  expect(topologyOf(evaluated.mesh)).toMatchObject({ openEdges: 0, bodies: 1 });
  const own = steps.findIndex(({ kind }) => kind === 'edges');
  expect(evaluated.mesh.stepOf).toContain(own);
  return evaluated;
}
const refusal = (...steps: Step[]) => {
  const result = evaluate(recipeWith(steps), workshop);
  return result.ok ? undefined : result.problem;
};
const notes = (...steps: Step[]) => built(workshop, recipeWith(steps)).steps.flatMap((step) => step.notes);

const { PI } = Math;
const WITHIN = 0.005;
const near = (value: number, exact: number) => expect(Math.abs(value / exact - 1)).toBeLessThan(WITHIN);

/** The volume of a block grown by a ball (J. Steiner, 1840). */
function grown(a: number, b: number, c: number, r: number): number {
  return a * b * c + 2 * r * (a * b + b * c + c * a) + PI * r * r * (a + b + c) + (4 / 3) * PI * r ** 3;
}

describe('a block of 20 × 30 × 10', () => {
  const block = raised('s1', rectangle(20, 30), 10);

  it('rounded all around is a smaller block grown by a ball', () => {
    const r = 2;
    const { volumeMm3, mesh } = solid(block, edges({ mm: r }));
    near(volumeMm3, grown(20 - 2 * r, 30 - 2 * r, 10 - 2 * r, r));
    expect(boundsOf(mesh)).toEqual({ min: [-10, -15, 0], max: [10, 15, 10] });
  });

  it('sloped all around lacks a prism at each edge, of which three share each corner', () => {
    // Of a corner cube, three quarters lie beside one of the three slopes at least; its three prisms are one and a half.
    const { volumeMm3 } = solid(block, edges({ finish: 'slope', mm: 1 }));
    expect(volumeMm3).toBeCloseTo(6000 - 4 * (20 + 30 + 10) * 0.5 + 8 * 0.75, 2);
  });

  it('loses at its upright edges alone what a square has more than a disc', () => {
    near(solid(block, edges({ which: 'upright', mm: 3 })).volumeMm3, (600 - 9 * (4 - PI)) * 10);
  });

  it('is a frustum around its top, in mitres', () => {
    const { volumeMm3 } = solid(block, edges({ which: 'upper', finish: 'slope', mm: 1 }));
    const [low, high] = [600, 18 * 28];
    expect(volumeMm3).toBeCloseTo(600 * 9 + (low + high + Math.sqrt(low * high)) / 3, 0);
  });

  it('keeps its edges on the plate when those above it are meant', () => {
    const { mesh } = solid(block, edges({ which: 'above', mm: 1 }));
    const low = boundsOf(mesh);
    const onPlate = [...mesh.triangles]
      .map((v) => [...mesh.positions.slice(3 * v, 3 * v + 3)])
      .filter(([, , z]) => z === 0);
    expect(Math.min(...onPlate.map(([x]) => x))).toBeCloseTo(low.min[0], 4);
  });

  it('slopes by an angle that is measured on the flatter face', () => {
    const { volumeMm3 } = solid(block, edges({ which: 'upper', finish: 'slope', mm: 1, deg: 60 }));
    // 1 mm on the top and √3 mm down the sides.
    const deep = Math.sqrt(3);
    expect(volumeMm3).toBeCloseTo(600 * (10 - deep) + (deep * (600 + 504 + Math.sqrt(600 * 504))) / 3, 0);
  });

  it('has room for a radius of half its height, and says so of more', () => {
    near(solid(block, edges({ mm: 5 })).volumeMm3, grown(10, 20, 0, 5));
    expect(refusal(block, edges({ mm: 6 }))).toMatchObject({
      stepId: 'e',
      path: ['mm'],
      message: 'Step 2: The largest rounding that fits at these edges is 5 mm.',
    });
    expect(refusal(block, edges({ which: 'upright', finish: 'slope', mm: 12 }))?.message).toContain(
      'is 10 mm.',
    );
  });

  it('says what fits at an angle, and that none does where a slope meets no other face', () => {
    expect(refusal(block, edges({ which: 'upper', finish: 'slope', deg: 80, mm: 3 }))?.message).toContain(
      'is 1.76 mm',
    );
    const wedge = stepOf('solid', 's1', undefined, {
      solid: { type: 'wedge', widthMm: 60, depthMm: 10, heightMm: 3 },
    });
    expect(refusal(wedge, edges({ finish: 'slope', deg: 80, mm: 1 }))).toMatchObject({
      path: ['deg'],
      message: 'Step 2: No slope of that angle fits at these edges: choose another angle.',
    });
  });

  it('refuses words that mean no edge, and a part that is not there yet', () => {
    const disc = raised('s1', { shape: 'circle', diameterMm: 20 }, 10);
    expect(refusal(disc, edges({ which: 'upright' }))).toMatchObject({ path: ['which'] });
    expect(refusal(edges({}))?.message).toContain('after one that adds material');
  });
});

describe('a bracket', () => {
  const bracket = raised('s1', drawn([0, 0], [40, 0], [40, 10], [10, 10], [10, 40], [0, 40]), 12);

  it('has its inner corner filled and its outer ones cut', () => {
    const gone = 4 - PI;
    near(solid(bracket, edges({ which: 'upright', mm: 2 })).volumeMm3, (700 - 5 * gone + gone) * 12);
    const sloped = solid(bracket, edges({ which: 'upright', finish: 'slope', mm: 2 }));
    expect(sloped.volumeMm3).toBeCloseTo((700 - 5 * 2 + 2) * 12, 1);
  });

  it('is rounded all around as its outline shrunk by less and less', () => {
    const r = 2;
    /** The outline with its corners rounded by r, moved in by d; where it turns in, it is rounded by r + d then. */
    const area = (d: number) => {
      const sharp = 700 - 160 * d + (5 - 1) * d * d;
      return sharp - (5 * (r - d) ** 2 * (4 - PI)) / 4 + ((r + d) ** 2 * (4 - PI)) / 4;
    };
    const steps = 4000;
    let exact = 8 * area(0);
    for (let i = 0; i < steps; i++) {
      const up = ((i + 0.5) / steps) * r;
      exact += (2 * area(r - Math.sqrt(r * r - up * up)) * r) / steps;
    }
    near(solid(bracket, edges({ mm: r })).volumeMm3, exact);
  });
});

describe('round edges', () => {
  /** What the rounding of the rim of a disc of radius R takes: its area turned about the axis (Pappus). */
  const takenMm3 = (R: number, r: number) => {
    const area = r * r * (1 - PI / 4);
    const middle = ((r * r * r) / 2 - ((PI * r * r) / 4) * ((4 * r) / (3 * PI))) / area;
    return 2 * PI * area * (R - r + middle);
  };
  const disc = raised('s1', { shape: 'circle', diameterMm: 20 }, 10);

  it('of a disc are cut at its top, or at both ends', () => {
    near(solid(disc, edges({ which: 'upper', mm: 2 })).volumeMm3, PI * 1000 - takenMm3(10, 2));
    near(solid(disc, edges({ mm: 4.9 })).volumeMm3, PI * 1000 - 2 * takenMm3(10, 4.9));
  });

  it('of a hole are widened, and of that hole alone', () => {
    const plate = raised('s1', rectangle(40, 30), 4);
    const hole = stepOf('hole', 's2', 's1', { size: { by: 'diameter', mm: 8 } });
    const { volumeMm3, mesh } = solid(plate, hole, edges({ of: of('s2'), finish: 'slope', mm: 0.5 }));
    const plain = built(workshop, recipeWith([plate, hole])).volumeMm3;
    const radius = Math.sqrt((4800 - plain) / (4 * PI));
    expect(plain - volumeMm3).toBeCloseTo(2 * 2 * PI * 0.125 * (radius + 0.5 / 3), 1);
    expect(genusOf(mesh)).toBe(1);
  });

  it('of a turned part, a ready solid and a round end are found as well', () => {
    near(
      solid(
        stepOf('solid', 's1', undefined, { solid: { type: 'cylinder', diameterMm: 20, heightMm: 10 } }),
        edges({ which: 'upper', mm: 2 }),
      ).volumeMm3,
      PI * 1000 - takenMm3(10, 2),
    );
    const turned = stepOf('revolve', 's1', undefined, {
      profile: drawn([0, 0], [10, 0], [10, 10], [0, 10]),
    });
    near(solid(turned, edges({ which: 'upper', mm: 2 })).volumeMm3, PI * 1000 - takenMm3(10, 2));
  });
});

describe('a wall on a plate', () => {
  const plate = raised('s1', rectangle(40, 30), 4);
  const wall = raised('s2', rectangle(4, 20), 15, 's1');
  const foot = { which: { between: of('s2') }, of: of('s1') };

  it('is strengthened where the two meet, in mitres around it', () => {
    const sloped = solid(plate, wall, edges({ ...foot, finish: 'slope', mm: 3 }));
    expect(sloped.volumeMm3).toBeCloseTo(4800 + 1200 + 48 * 4.5 + 4 * 9, 1);
    const corner = 27 * (5 / 3 - PI / 2);
    near(solid(plate, wall, edges({ ...foot, mm: 3 })).volumeMm3, 6000 + 48 * 9 * (1 - PI / 4) + 4 * corner);
  });

  it('is rounded above the plate without anything sharp left at its foot', () => {
    const { mesh } = solid(plate, wall, edges({ which: 'above', mm: 1.5 }));
    expect(genusOf(mesh)).toBe(0);
  });

  it('is told of edges that have no room, and the others are rounded', () => {
    const told = notes(plate, wall, edges({ which: 'above', mm: 2.1 }));
    expect(told.join(' ')).toMatch(/edges? ha(s|ve) no room for 2.1 mm and stay as they are/);
  });
});

it('the tips of a star are finished whole: no crumb is left of any', () => {
  const star = raised('s1', { shape: 'star', points: 14, outerMm: 60, innerMm: 26 }, 5);
  solid(star, edges({ mm: 0.3 }));
  solid(star, edges({ mm: 0.3, finish: 'slope' }));
});

it('the edges of a file that was imported are found where its faces are flat', () => {
  const { mesh } = built(workshop, recipeWith([raised('s1', rectangle(20, 30), 10)]));
  const file = { ...stepOf('import', 's1', undefined), asset: 'block' } as Step;
  const recipe = recipeWith([file, edges({ mm: 2 })]);
  const { volumeMm3 } = built(workshop, recipe, { assets: new Map([['block', mesh]]) });
  near(volumeMm3, grown(16, 26, 6, 2));
});

describe('edges that were chosen one by one', () => {
  const plate = raised('s1', rectangle(40, 30), 4);
  const choosing = (...chosen: Extract<EdgesStep['which'], { chosen: unknown }>['chosen']) =>
    edges({ which: { chosen }, mm: 1 });
  const offered = (...steps: Step[]) => built(workshop, recipeWith(steps)).steps.at(-1)!.edges!;

  it('are asked for, offered with where they run, and finished', () => {
    expect(notes(plate, choosing())).toEqual([
      'Choose the edges: tap them on the solid, or tick them in the sentence.',
    ]);
    const all = offered(plate, choosing());
    expect(all).toHaveLength(12);
    const upright = all.filter(({ points: [from, to] }) => from[2] !== to[2]);
    expect(upright).toHaveLength(4);
    const { volumeMm3, steps } = solid(plate, choosing(upright[0].name));
    near(volumeMm3, 4800 - 4 * (1 - PI / 4));
    expect(steps.at(-1)!.edges!.filter(({ isChosen }) => isChosen)).toHaveLength(1);
  });

  it('are tapped one after the other before the part is built, and tapped away', () => {
    const all = offered(plate, choosing());
    const tapped = (of: Step, at: number) => {
      const change = edgeTapped(of, all, at)!;
      return { ...of, which: change.value } as Step;
    };
    const two = tapped(tapped(choosing(), 3), 5);
    expect(two).toMatchObject({ which: { chosen: [all[3].name, all[5].name] } });
    expect(tapped(two, 3)).toMatchObject({ which: { chosen: [all[5].name] } });
    expect(edgeTapped(plate, all, 0)).toBeUndefined();
    expect(edgeNameWords(all[0].name, [plate])).toMatch(/^step 1: its .+ and its .+$/);
  });

  it('say which are gone, and the rest is built', () => {
    const wall = raised('s2', rectangle(4, 20), 15, 's1');
    const names = offered(plate, wall, choosing()).map(({ name }) => name);
    const ofWall = names.filter(({ steps }) => steps.every((step) => step === 's2'));
    const ofPlate = names.filter(({ steps }) => steps.every((step) => step === 's1'));
    expect([ofWall.length, ofPlate.length]).toEqual([8, 12]);
    expect(notes(plate, choosing(ofWall[0], ofPlate[0]))).toEqual([
      '1 edge that was chosen is gone. Choose again.',
    ]);
  });
});
