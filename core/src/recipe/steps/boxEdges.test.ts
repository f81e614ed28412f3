import { beforeAll, describe, expect, it } from 'vitest';
import { built as builtIn, genusOf, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { boundsOf } from '../../mesh/index.ts';
import {
  additionsOf,
  plainSentence,
  sentenceOf,
  setField,
  type Recipe,
  type Step,
} from '../../recipe/index.ts';
import { evaluate, type Workshop } from '../../solid/index.ts';

type Solid = Extract<Step, { kind: 'solid' }>['solid'];
type Edges = Extract<Solid, { type: 'box' }>['edges'];

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const [w, d, h] = [30, 20, 12];
const box = (edges?: Edges) =>
  recipeWith([
    stepOf('solid', 's1', undefined, {
      solid: { type: 'box', widthMm: w, depthMm: d, heightMm: h, edges },
    }),
  ]);
const volumeOf = (recipe: Recipe) => builtIn(workshop, recipe).volumeMm3;
const problemOf = (recipe: Recipe) => {
  const result = evaluate(recipe, workshop);
  return result.ok ? undefined : result.problem;
};

describe('the edges of a ready box', () => {
  it('are all rounded to what a ball leaves that rolls inside it', () => {
    const r = 3;
    // Steiner's formula for the inner box grown by r.
    const [a, b, c] = [w - 2 * r, d - 2 * r, h - 2 * r];
    const exact =
      a * b * c +
      2 * r * (a * b + b * c + c * a) +
      Math.PI * r ** 2 * (a + b + c) +
      (4 / 3) * Math.PI * r ** 3;
    const { mesh, volumeMm3 } = builtIn(workshop, box({ which: 'all', finish: 'round', mm: r }));
    expect(volumeMm3 / exact).toBeCloseTo(1, 2);
    const { min, max } = boundsOf(mesh);
    expect([...min, ...max].map((mm) => Math.round(mm * 1000) / 1000)).toEqual([-15, -10, 0, 15, 10, 12]);
    expect(genusOf(mesh)).toBe(0);
  });

  it('are all cut off at 45°, the upright ones where they meet the others as well', () => {
    const m = 2;
    const k = 2 - Math.SQRT2;
    // The area at a depth s inside the slope, summed over both slopes.
    const slope = w * d * m - (w + d) * m ** 2 + (4 * m ** 3) / 3 - 2 * m ** 3 * (1 - k + k ** 2 / 3);
    const exact = (w * d - 2 * m ** 2) * (h - 2 * m) + 2 * slope;
    expect(volumeOf(box({ which: 'all', finish: 'chamfer', mm: m }))).toBeCloseTo(exact, 1);
  });

  it('are finished where they stand, or around the top alone', () => {
    const sharp = w * d * h;
    const arc = (1 - Math.PI / 4) * 9;
    expect(volumeOf(box({ which: 'upright', finish: 'round', mm: 3 })) / (sharp - 4 * arc * h)).toBeCloseTo(
      1,
      3,
    );
    const around = (w + d) * 4 - (4 * 8) / 3;
    expect(volumeOf(box({ which: 'top', finish: 'chamfer', mm: 2 }))).toBeCloseTo(sharp - around, 2);
  });

  it('say the largest size that fits', () => {
    expect(problemOf(box({ which: 'all', finish: 'round', mm: 6.1 }))).toMatchObject({
      path: ['solid', 'edges', 'mm'],
      message: 'Step 1: The largest size that fits these edges is 6 mm.',
    });
    expect(problemOf(box({ which: 'all', finish: 'round', mm: 6 }))).toBeUndefined();
    expect(problemOf(box({ which: 'upright', finish: 'round', mm: 10 }))).toBeUndefined();
    expect(problemOf(box({ which: 'top', finish: 'round', mm: 10 }))?.message).toContain('is 9.98 mm');
  });

  it('read as one phrase, which is offered to boxes alone', () => {
    const offer = additionsOf(box().steps[0]).find(({ label }) => label === 'round its edges')!;
    const edited = setField(box(), 's1', offer.path, offer.value);
    expect(
      edited.ok && plainSentence(sentenceOf(edited.recipe.steps[0], { recipe: edited.recipe, index: 0 })),
    ).toContain('box 30 mm wide, 20 mm deep, 12 mm high, all edges rounded 1 mm,');
    const ball = stepOf('solid', 's1', undefined, { solid: { type: 'ball', diameterMm: 9 } });
    expect(additionsOf(ball).map(({ label }) => label)).not.toContain('round its edges');
  });
});

describe('what was added and is cut instead', () => {
  const block = stepOf('extrude', 's1', undefined, {
    outline: { shape: 'roundedRectangle', widthMm: 40, depthMm: 30, cornerMm: 0 },
    depth: { type: 'by', mm: 10 },
  });
  const small = { shape: 'roundedRectangle', widthMm: 10, depthMm: 8, cornerMm: 0 } as const;
  const centred = { relation: 'centred' } as const;
  const onTopOf = {
    on: { step: 's1' },
    x: centred,
    y: centred,
    z: { relation: 'beside', edge: 'high', overlapMm: 0 },
  } as const;
  const changed = (recipe: Recipe, effect: 'add' | 'cut' | 'keep') => {
    const edited = setField(recipe, 's2', ['effect'], effect);
    if (!edited.ok) throw new Error(edited.problem.message);
    return edited.recipe;
  };

  it.each([
    ['a raised outline', stepOf('extrude', 's2', 's1', { outline: small, depth: { type: 'by', mm: 3 } })],
    [
      'a ready solid',
      stepOf('solid', 's2', 's1', {
        solid: { type: 'box', widthMm: 10, depthMm: 8, heightMm: 3 },
        placement: onTopOf,
      }),
    ],
  ])('begins flush with the face that %s stood on, and stands on it again', (_, step) => {
    const recipe = recipeWith([block, step]);
    expect(volumeOf(recipe)).toBeCloseTo(12_000 + 240, 1);
    const pocket = changed(recipe, 'cut');
    expect(volumeOf(pocket)).toBeCloseTo(12_000 - 240, 1);
    expect(changed(pocket, 'add')).toEqual(recipe);
  });

  it('follows the side that it faces, and stays where somebody else put it', () => {
    const side = stepOf('extrude', 's2', 's1', {
      outline: small,
      facing: 'front',
      depth: { type: 'by', mm: 3 },
      placement: { ...onTopOf, y: { relation: 'beside', edge: 'low', overlapMm: 0 }, z: centred },
    });
    expect(volumeOf(changed(recipeWith([block, side]), 'cut'))).toBeCloseTo(12_000 - 240, 1);
    const sunk = stepOf('extrude', 's2', 's1', {
      outline: small,
      depth: { type: 'by', mm: 3 },
      placement: { ...onTopOf, z: centred },
    });
    const cut = changed(recipeWith([block, sunk]), 'cut');
    expect(cut.steps[1]).toMatchObject({ effect: 'cut', placement: { z: centred } });
  });
});
