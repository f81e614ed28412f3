import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { block } from '../../../test/block.ts';
import { built, recipeWith, stepOf, withField } from '../../../test/evaluated.ts';
import type { Vec3 } from '../../mesh/index.ts';
import { fromLeft, fromRight, on } from '../../starters/places.ts';
import type { Workshop } from '../../solid/index.ts';
import { axisIndex, spaceHandlesOf, type FieldChange, type Recipe, type Step } from '../index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const ROUNDING_MM = 0.06;

const outline = { shape: 'roundedRectangle', widthMm: 8, depthMm: 6, cornerMm: 0 } as const;
const flush = { relation: 'inFrom', edge: 'high', mm: 0 } as const;

/** What stands on, is sunk into or goes into a block of 40 × 30 × 10. */
const steps: Readonly<Record<string, Step>> = {
  'a post': stepOf('extrude', 's2', 's1', { outline }),
  'a post by its left edge': stepOf('extrude', 's2', 's1', { outline, placement: on('s1', { x: fromLeft(3) }) }),
  'a pocket by its right edge': stepOf('extrude', 's2', 's1', {
    outline,
    effect: 'cut',
    depth: { type: 'by', mm: 3 },
    placement: on('s1', { x: fromRight(4), z: flush }),
  }),
  'a boss on the front': stepOf('extrude', 's2', 's1', {
    outline,
    facing: 'front',
    placement: on('s1', { y: { relation: 'beside', edge: 'low', overlapMm: 0 }, z: { relation: 'centred' } }),
  }),
  'a boss on the right': stepOf('extrude', 's2', 's1', {
    outline,
    facing: 'right',
    placement: on('s1', { x: { relation: 'beside', edge: 'high', overlapMm: 0 }, z: { relation: 'centred' } }),
  }),
  'a blind hole by its middle': stepOf('hole', 's2', 's1', {
    size: { by: 'diameter', mm: 5 },
    depth: { type: 'blind', mm: 4 },
    placement: on('s1', { x: fromLeft(9), z: flush }),
  }),
  'a blind hole from the front': stepOf('hole', 's2', 's1', {
    size: { by: 'diameter', mm: 5 },
    depth: { type: 'blind', mm: 4 },
    facing: 'front',
    placement: on('s1', { y: { relation: 'inFrom', edge: 'low', mm: 0 }, z: { relation: 'centred' } }),
  }),
  'a cylinder': stepOf('solid', 's2', 's1', { solid: { type: 'cylinder', diameterMm: 7, heightMm: 5 } }),
  letters: stepOf('letters', 's2', 's1'),
}; // oxfmt-ignore

const recipeOf = (step: Step): Recipe => recipeWith([block, step]);

function handlesIn(recipe: Recipe) {
  const { steps: outcomes } = built(workshop, recipe);
  return spaceHandlesOf(recipe.steps[1], outcomes[1].box, outcomes[0].box);
}
const boxOf = (recipe: Recipe) => built(workshop, recipe).steps[1].box;

const after = (recipe: Recipe, changes: readonly FieldChange[]) =>
  changes.reduce((result, { path, value }) => withField(result, 's2', path, value), recipe);

describe.each(Object.keys(steps))('%s', (name) => {
  const recipe = recipeOf(steps[name]);

  it('has every size of it at an end that follows where it is dragged, while what is held stays', () => {
    const before = boxOf(recipe);
    const { sizes } = handlesIn(recipe);
    expect(sizes.length).toBeGreaterThan(0);
    for (const size of sizes) {
      const i = axisIndex[size.axis];
      for (const end of size.ends) {
        const [from, out] = end === 'high' ? [size.high, 1] : [size.low, -1];
        const box = boxOf(after(recipe, size.dragged(end, from + 1.5 * out)));
        const [moved, other] = end === 'high' ? [box.max[i], box.min[i]] : [box.min[i], box.max[i]];
        expect(Math.abs(moved - (from + 1.5 * out))).toBeLessThan(name === 'letters' ? 0.25 : ROUNDING_MM);
        const held = end === 'high' ? before.min[i] : before.max[i];
        const stays = size.ends.length === 2 ? held - 1.5 * out : held;
        expect(Math.abs(other - stays)).toBeLessThan(name === 'letters' ? 0.25 : ROUNDING_MM);
      }
    }
  });

  it('is as long as is typed', () => {
    for (const size of handlesIn(recipe).sizes) {
      const i = axisIndex[size.axis];
      const box = boxOf(after(recipe, size.typed(4.25, 4.25)));
      expect(box.max[i] - box.min[i]).toBeCloseTo(4.25, 2);
    }
  });

  it('is moved in the plane in which it lies, and lies at the distances that are told', () => {
    const { handles } = handlesIn(recipe);
    const move = handles.find(({ kind }) => kind === 'move')!;
    const across = 'across' in move.way ? axisIndex[move.way.across] : -1;
    const by: Vec3 = [1.2, -0.8, 0.6].map((mm, i) => (i === across ? 0 : mm)) as unknown as Vec3;
    const to: Vec3 = [move.at[0] + by[0], move.at[1] + by[1], move.at[2] + by[2]];
    const moved = after(recipe, move.to(to));
    const [was, is] = [boxOf(recipe), boxOf(moved)];
    for (const i of [0, 1, 2]) expect(is.min[i] - was.min[i]).toBeCloseTo(by[i], 1);
    for (const distance of handlesIn(moved).distances) {
      const next = handlesIn(after(moved, distance.typed(2.5, 2.5)));
      const typed = next.distances.find(({ axis }) => axis === distance.axis)!;
      expect(Math.abs(typed.toMm - typed.fromMm)).toBeCloseTo(2.5, 3);
      expect(Math.sign(typed.toMm - typed.fromMm)).toBe(Math.sign(distance.toMm - distance.fromMm));
    }
  });
});

describe('what keeps a distance from its face', () => {
  const floating = stepOf('extrude', 's2', 's1', {
    outline,
    effect: 'cut',
    depth: { type: 'by', mm: 3 },
    placement: on('s1', { z: { relation: 'inFrom', edge: 'high', mm: 2 } }),
  });

  it('is lifted and lowered', () => {
    const recipe = recipeOf(floating);
    const lift = handlesIn(recipe).handles.find(({ kind }) => kind === 'lift')!;
    expect(lift.way).toEqual({ along: 'z' });
    const lifted = after(recipe, lift.to([lift.at[0], lift.at[1], lift.at[2] + 1.5]));
    expect(boxOf(lifted).max[2] - boxOf(recipe).max[2]).toBeCloseTo(1.5, 6);
  });

  it('and what lies on it is not', () => {
    for (const name of ['a post', 'a pocket by its right edge', 'a boss on the front'])
      expect(handlesIn(recipeOf(steps[name])).handles.map(({ kind }) => kind)).not.toContain('lift');
  });
});

it('numbers that are worked out are neither dragged nor typed over', () => {
  const step = stepOf('extrude', 's2', 's1', {
    outline: { ...outline, widthMm: { formula: 'a' } },
    placement: on('s1', { x: fromLeft({ formula: 'a / 2' }) }),
  });
  const { sizes, distances } = handlesIn(recipeWith([block, step], [{ name: 'a', value: 8 }]));
  expect(sizes.map(({ axis }) => axis)).toEqual(['y', 'z']);
  expect(distances).toEqual([]);
});

it('what lies anywhere it fits is put where it is dragged to, also on an upright side', () => {
  const step = stepOf('extrude', 's2', 's1', {
    outline,
    facing: 'front',
    free: { marginMm: 1 },
    placement: on('s1', { y: { relation: 'beside', edge: 'low', overlapMm: 0 }, z: { relation: 'centred' } }),
  });
  const recipe = recipeOf(step);
  const move = handlesIn(recipe).handles.find(({ kind }) => kind === 'move')!;
  const moved = after(recipe, move.to([move.at[0] + 3, move.at[1], move.at[2] + 1]));
  expect(moved.steps[1]).not.toHaveProperty('free');
  expect(boxOf(moved).min[0] - boxOf(recipe).min[0]).toBeCloseTo(3, 1);
  expect(boxOf(moved).min[2] - boxOf(recipe).min[2]).toBeCloseTo(1, 1);
});

it('a formula can be typed where the figure is the number of the sentence, and is worked out where it is not', () => {
  const post = handlesIn(recipeOf(steps['a post'])).sizes[0];
  expect(post.typed({ formula: '2 * a' }, 12)).toEqual([
    { path: ['outline', 'widthMm'], value: { formula: '2 * a' } },
  ]);
  const word = handlesIn(recipeOf(steps.letters)).sizes[0];
  expect(word.typed({ formula: '2 * a' }, 12)[0].value).toBeTypeOf('number');
});
