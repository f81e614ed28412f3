import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { block } from '../../test/block.ts';
import { recipeWith, stepOf } from '../../test/evaluated.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import { classroomLimits, type Requirement } from '../inspect/index.ts';
import type { Placement, Recipe, Step } from '../recipe/index.ts';
import { failingFindings, remediesFor, remedyKinds, Trials, type Remedy } from './index.ts';

const limits = { ...classroomLimits, buildVolumeMm: [220, 200, 180] as [number, number, number] };
let trials: Trials;
beforeAll(async () => {
  trials = new Trials({ workshop: await nodeWorkshop(), limits });
});
afterAll(() => trials.close());

const tried = (recipe: Recipe) => trials.tried(recipe);

/** What one kind of remedy offers for the first failing (or else warning) finding of a check. */
function offered(recipe: Recipe, checkId: string, kind: string): Remedy[] {
  const now = tried(recipe)!;
  const check = now.inspection.checks.find(({ id }) => id === checkId)!;
  const finding = check.findings.find(({ verdict }) => verdict === check.verdict);
  expect([checkId, check.verdict]).not.toEqual([checkId, 'pass']);
  const kinds = remedyKinds.filter(({ id }) => id === kind);
  return [...remediesFor({ recipe, limits, now, check, finding: finding!, tried }, kinds)].filter(
    (each) => each !== undefined,
  );
}

const rectangle = (widthMm: number, depthMm: number) =>
  ({ shape: 'roundedRectangle', widthMm, depthMm, cornerMm: 0 }) as const;
const slab = (id: string, widthMm: number, depthMm: number, mm: number, placement?: Placement) =>
  stepOf('extrude', id, undefined, {
    outline: rectangle(widthMm, depthMm),
    depth: { type: 'by', mm },
    ...(placement ? { placement } : {}),
  });
const onTop = (step: string, more: Partial<Placement> = {}): Placement => ({
  on: { step },
  x: { relation: 'centred' },
  y: { relation: 'centred' },
  z: { relation: 'beside', edge: 'high', overlapMm: 0 },
  ...more,
});
const disc = (id: string, diameterMm: number, mm: number, placement?: Placement) =>
  stepOf('extrude', id, undefined, {
    outline: { shape: 'circle', diameterMm },
    depth: { type: 'by', mm },
    ...(placement ? { placement } : {}),
  });
const words = (fields: Partial<Extract<Step, { kind: 'letters' }>>) => stepOf('letters', 's2', 's1', fields);
const inSturdy = { words: 'Mint', font: 'sturdy', size: { by: 'height', mm: 8 } } as const;

const small = stepOf('hole', 's2', 's1', { size: { by: 'diameter', mm: 1.5 } });
const nearEdge = stepOf('hole', 's2', 's1', {
  size: { by: 'diameter', mm: 4 },
  placement: {
    on: { step: 's1' },
    x: { relation: 'inFrom', edge: 'low', mm: 2.4 },
    y: { relation: 'centred' },
    z: { relation: 'inFrom', edge: 'high', mm: 0 },
  },
});
const tunnel = stepOf('extrude', 's2', 's1', {
  effect: 'cut',
  outline: rectangle(22, 6),
  facing: 'front',
  depth: { type: 'through' },
  placement: {
    on: { step: 's1' },
    x: { relation: 'centred' },
    y: { relation: 'inFrom', edge: 'low', mm: 0 },
    z: { relation: 'inFrom', edge: 'low', mm: 0 },
  },
});

describe('a remedy', () => {
  it.each<[string, string, string, Recipe]>([
    ['a larger hole', 'hole', 'otherNumber', recipeWith([block, small])],
    ['a place further from the edge', 'hole', 'otherNumber', recipeWith([block, nearEdge])],
    ['a thicker wall', 'wall', 'otherNumber', recipeWith([block, slab('s2', 20, 0.6, 2, onTop('s1'))])],
    ['a thicker plate', 'wall', 'otherNumber', recipeWith([slab('s1', 30, 20, 0.6)])],
    [
      'taller letters',
      'relief',
      'otherNumber',
      recipeWith([block, words({ lettering: inSturdy, byMm: 0.3 })]),
    ],
    ['a wider pin', 'stability', 'otherNumber', recipeWith([block, disc('s2', 3, 20, onTop('s1'))])],
    [
      'more overlap',
      'bodies',
      'otherNumber',
      recipeWith([
        block,
        slab(
          's2',
          10,
          10,
          10,
          onTop('s1', {
            x: { relation: 'beside', edge: 'high', overlapMm: -0.4 },
            z: { relation: 'at', own: 'low', mm: 0 },
          }),
        ),
      ]),
    ],
    ['a shorter bridge', 'bridge', 'otherNumber', recipeWith([block, tunnel])],
    ['a shorter part', 'size', 'otherNumber', recipeWith([slab('s1', 240, 30, 5)])],
    [
      'a bolder font',
      'wall',
      'bolderFont',
      recipeWith([block, words({ lettering: { ...inSturdy, font: 'script' } })]),
    ],
    [
      'letters in what is free',
      'relief',
      'inFreePlace',
      recipeWith([
        block,
        words({
          lettering: { ...inSturdy, size: { by: 'height', mm: 7 } },
          placement: onTop('s1', { x: { relation: 'centred', mm: 14 } }),
        }),
      ]),
    ],
    [
      'less lean',
      'overhang',
      'leanLess',
      recipeWith([slab('s1', 80, 40, 3), stepOf('sweep', 's2', 's1', { leanDeg: 62 })]),
    ],
    [
      'a slope under a ledge',
      'overhang',
      'chamferUnder',
      recipeWith([slab('s1', 20, 20, 10), slab('s2', 26, 26, 8, onTop('s1'))]),
    ],
    ['a wall under a bridge', 'bridge', 'support', recipeWith([block, tunnel])],
    [
      'round corners',
      'comfort',
      'roundCorners',
      recipeWith([
        stepOf('extrude', 's1', undefined, {
          outline: { shape: 'polygon', sides: 3, acrossMm: 30, across: 'corners' },
        }),
      ]),
    ],
    [
      'a flat base',
      'base',
      'trimToBase',
      recipeWith([stepOf('solid', 's1', undefined, { solid: { type: 'ball', diameterMm: 30 } })]),
    ],
    ['a turn on the plate', 'size', 'turnOnPlate', recipeWith([slab('s1', 240, 30, 5)])],
    ['a smaller scale', 'size', 'scaleToFit', recipeWith([slab('s1', 240, 30, 5)])],
    [
      'another face',
      'overhang',
      'otherFace',
      recipeWith([slab('s1', 12, 12, 10), slab('s2', 40, 40, 4, onTop('s1'))]),
    ],
    ['a foot', 'base', 'foot', recipeWith([disc('s1', 6, 20)])],
  ])('%s mends what %s finds', (_, checkId, kind, recipe) => {
    const [remedy, ...others] = offered(recipe, checkId, kind);
    expect(remedy).toBeDefined();
    const before = tried(recipe)!.inspection;
    for (const { recipe: mended, better } of [remedy, ...others]) {
      const after = tried(mended)!.inspection;
      const was = before.checks.find(({ id }) => id === checkId)!;
      const now = after.checks.find(({ id }) => id === checkId)!;
      expect(now.verdict === 'fail' || now.verdict === was.verdict).toBe(false);
      expect(better.length).toBeGreaterThan(0);
      const isNew = after.checks.filter(
        ({ id, verdict }) =>
          verdict === 'fail' && before.checks.find((each) => each.id === id)!.verdict !== 'fail',
      );
      expect(isNew).toEqual([]);
    }
  });

  it('keeps a formula, and adds what is missing to it', () => {
    const recipe = recipeWith(
      [block, stepOf('hole', 's2', 's1', { size: { by: 'diameter', mm: { formula: 'pin / 2' } } })],
      [{ name: 'pin', value: 3 }],
    );
    const [remedy] = offered(recipe, 'hole', 'otherNumber');
    expect(remedy.recipe.steps[1]).toMatchObject({ size: { mm: { formula: 'pin / 2 + 0.7' } } });
    expect(remedy.words).toBe('In step 2, make the diameter 2.2 mm');
  });

  it('is not offered where it would make another check fail', () => {
    // A wider hole in a narrow strip leaves no wall; moving it does not help either.
    const strip = recipeWith([slab('s1', 30, 3, 5), small]);
    for (const { recipe } of offered(strip, 'hole', 'otherNumber')) {
      expect(failingFindings(tried(recipe)!.inspection)).toEqual([]);
    }
  });

  it('says what it changes for the better and for the worse', () => {
    const [remedy] = offered(recipeWith([slab('s1', 240, 30, 5)]), 'size', 'scaleToFit');
    expect(remedy.better[0]).toBe('Size 240 → 206 mm');
  });
});

describe('what the brief asks', () => {
  const requirements: Requirement[] = [
    { kind: 'hole', reach: 'through', atLeastMm: 3 },
    { kind: 'letters', tallMm: 8 },
    { kind: 'object', acrossMm: 6, fit: 'sliding' },
    { kind: 'rounded' },
  ];

  it.each<[Requirement['kind'], string, Recipe, RegExp]>([
    [
      'hole',
      'otherNumber',
      recipeWith([block, stepOf('hole', 's2', 's1', { size: { by: 'diameter', mm: 2.5 } })]),
      /make the diameter 3/,
    ],
    [
      'letters',
      'otherNumber',
      recipeWith([
        slab('s1', 60, 30, 3),
        words({ lettering: { ...inSturdy, size: { by: 'height', mm: 7 } } }),
      ]),
      /make the letter height 8/,
    ],
    [
      'object',
      'fitObject',
      recipeWith([block, stepOf('hole', 's2', 's1', { size: { by: 'diameter', mm: 6 } })]),
      /to fit an object of Ø 6 mm, sliding/,
    ],
    ['rounded', 'roundCorners', recipeWith([disc('s1', 30, 5)]), /round the top edge by 1 mm/],
  ])('is mended: %s by %s', async (kind, remedy, recipe, offered) => {
    const brief = { requirements: requirements.filter((each) => each.kind === kind) };
    const own = new Trials({ workshop: await nodeWorkshop(), limits, brief });
    const trouble = { recipe, limits, brief, tried: (other: Recipe) => own.tried(other) };
    const now = own.tried(recipe)!;
    const [{ check, finding }] = failingFindings(now.inspection);
    expect(check.id).toBe('brief');
    const kinds = remedyKinds.filter(({ id }) => id === remedy);
    const found = [...remediesFor({ ...trouble, now, check, finding }, kinds)].filter((each) => each);
    expect(found[0]?.words).toMatch(offered);
    expect(own.tried(found[0]!.recipe)!.inspection.verdict).not.toBe('fail');
    own.close();
  });
});
