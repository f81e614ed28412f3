import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { block } from '../../../test/block.ts';
import { built, recipeWith, stepOf, withField } from '../../../test/evaluated.ts';
import { at, besideRight, fromLeft, fromRight, offMiddle, on, share } from '../../starters/places.ts';
import type { Workshop } from '../../solid/index.ts';
import { boxUnder, turn } from '../../mesh/index.ts';
import { handlesOf, handlesUnder, type Along, type Recipe, type Step } from '../index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const post = (fields: Partial<Extract<Step, { kind: 'extrude' }>> = {}) =>
  stepOf('extrude', 's2', 's1', {
    outline: { shape: 'roundedRectangle', widthMm: 8, depthMm: 6, cornerMm: 0 },
    ...fields,
  });

/** Drags a handle of the last step and gives back the recipe that its changes make. */
function dragged(recipe: Recipe, kind: string, byX: number, byY: number, which = 0): Recipe {
  const { steps } = built(workshop, recipe);
  const [host, own] = [steps[0], steps[steps.length - 1]];
  const step = recipe.steps[recipe.steps.length - 1];
  const handle = handlesOf(step, own.box, host.box).filter((each) => each.kind === kind)[which];
  return handle
    .to([handle.at[0] + byX, handle.at[1] + byY])
    .reduce((result, { path, value }) => withField(result, step.id, path, value), recipe);
}

const boxOf = (recipe: Recipe) => built(workshop, recipe).steps[recipe.steps.length - 1].box;

describe('a handle for moving', () => {
  it.each<[string, Along]>([
    ['centred', { relation: 'centred' }],
    ['off the middle', offMiddle(3)],
    ['in from the left', fromLeft(2)],
    ['in from the right', fromRight(2)],
    ['beside the right', besideRight(1)],
    ['part of the way', share(30)],
    ['from the plate’s middle', at(4, 'low')],
  ])('moves what is %s by as much as it is dragged, and keeps the relation', (_, x) => {
    const recipe = recipeWith([block, post({ placement: on('s1', { x }) })]);
    const [before, after] = [boxOf(recipe), boxOf(dragged(recipe, 'move', 2.5, -1.5))];
    expect(after.min[0] - before.min[0]).toBeCloseTo(2.5, 1);
    expect(after.min[1] - before.min[1]).toBeCloseTo(-1.5, 1);
    const [was, is] = [recipe, dragged(recipe, 'move', 2.5, 0)].map(
      ({ steps: [, step] }) => 'placement' in step && step.placement.x.relation,
    );
    expect(is).toBe(was);
  });

  it('takes what lies in the free space to where it is dragged, and says from where it is measured', () => {
    const recipe = recipeWith([block, post({ free: { marginMm: 1 } })]);
    const moved = dragged(recipe, 'move', 5, -3);
    expect(moved.steps[1]).not.toHaveProperty('free');
    expect(moved.steps[1]).toMatchObject({ placement: { x: { relation: 'centred', mm: 5 }, y: { mm: -3 } } });
    expect(boxOf(moved).min[0] - boxOf(recipe).min[0]).toBeCloseTo(5, 1);
  });

  it('leaves a number alone that is worked out from measures', () => {
    const recipe = recipeWith(
      [block, post({ placement: on('s1', { x: fromLeft({ formula: 'a' }) }) })],
      [{ name: 'a', value: 5 }],
    );
    expect(boxOf(dragged(recipe, 'move', 4, 0)).min[0]).toBeCloseTo(boxOf(recipe).min[0], 6);
  });
});

describe('a handle for sizing', () => {
  it.each<[string, Along, number]>([
    ['centred', { relation: 'centred' }, 12],
    ['in from the left', fromLeft(2), 10],
    ['in from the right', fromRight(2), 6],
    ['beside the right', besideRight(1), 10],
  ])('follows the pointer while the edge that is held stays: %s', (_, x, width) => {
    const recipe = recipeWith([block, post({ placement: on('s1', { x }) })]);
    const { steps } = built(workshop, recipe);
    const handle = handlesOf(recipe.steps[1], steps[1].box, steps[0].box).find(
      ({ kind }) => kind === 'size',
    )!;
    const after = boxOf(dragged(recipe, 'size', 2, 0));
    expect(after.max[0] - after.min[0]).toBeCloseTo(width, 1);
    const edge = Math.abs(handle.at[0] - steps[1].box.min[0]) < 1e-6 ? after.min[0] : after.max[0];
    expect(edge).toBeCloseTo(handle.at[0] + 2, 1);
  });

  it('is there for the depth as well', () => {
    const after = boxOf(dragged(recipeWith([block, post()]), 'size', 0, 1, 1));
    expect(after.max[1] - after.min[1]).toBeCloseTo(8, 1);
  });

  it('is named for the way that it makes larger', () => {
    const recipe = recipeWith([block, post()]);
    const { steps } = built(workshop, recipe);
    const sizes = handlesOf(recipe.steps[1], steps[1].box, steps[0].box).filter(
      ({ kind }) => kind === 'size',
    );
    expect(sizes.map(({ label, along }) => [`${label}`, along])).toEqual([
      ['Size left to right', 'x'],
      ['Size front to back', 'y'],
    ]);
  });
});

it('a handle for turning points where it is dragged to', () => {
  const recipe = recipeWith([block, post()]);
  const { steps } = built(workshop, recipe);
  const handle = handlesOf(recipe.steps[1], steps[1].box, steps[0].box).find(({ kind }) => kind === 'turn')!;
  const middle = boxOf(recipe);
  const [x, y] = [(middle.min[0] + middle.max[0]) / 2, (middle.min[1] + middle.max[1]) / 2];
  expect(handle.to([x - 10, y])).toEqual([{ path: ['turnDeg'], value: 90 }]);
  expect(handle.to([x + 10, y + 10])).toEqual([{ path: ['turnDeg'], value: -45 }]);
  expect(handle.to([x, y + 10])).toEqual([{ path: ['turnDeg'], value: undefined }]);
});

it('a handle for turning goes by whole degrees, about a thing that stands beside the middle', () => {
  const recipe = recipeWith([block, post({ placement: on('s1', { x: fromLeft(3), y: fromLeft(2) }) })]);
  const { steps } = built(workshop, recipe);
  const handle = handlesOf(recipe.steps[1], steps[1].box, steps[0].box).find(({ kind }) => kind === 'turn')!;
  const { min, max } = boxOf(recipe);
  const [x, y] = [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2];
  const turnedTo = (deg: number) => {
    const radians = ((90 + deg) * Math.PI) / 180;
    return handle.to([x + 9 * Math.cos(radians), y + 9 * Math.sin(radians)])[0].value;
  };
  expect([0.4, 44.6, -44.6, 179.6, 89.6].map(turnedTo)).toEqual([undefined, 45, -45, 180, 90]);
  // It sits straight above a thing that is not turned, 8 mm wide, out of the way of it.
  expect(handle.at[0]).toBeCloseTo(x, 6);
  expect(handle.at[1]).toBeGreaterThan(y + 4);
});

it('a share of the way stays between nothing and all of it', () => {
  const placed = post({ placement: on('s1', { x: share(25) }) });
  const x = (byMm: number) => {
    const moved = dragged(recipeWith([block, placed]), 'move', byMm, 0).steps[1];
    return 'placement' in moved && 'percent' in moved.placement.x ? moved.placement.x.percent : undefined;
  };
  expect([-80, -10, 4, 80].map(x)).toEqual([0, 0, 35, 100]);
});

describe('handles after the whole part was scaled and moved', () => {
  const whole = stepOf('scale', 's3', undefined);
  const recipe = recipeWith([block, post({ placement: on('s1', { x: fromLeft(2) }) }), whole]);

  it('lie where the step lies now, and follow where they are dragged', () => {
    const { steps } = built(workshop, recipe);
    const { box, since } = steps[1];
    const now = boxUnder(since!, box);
    expect(now.max[0] - now.min[0]).not.toBeCloseTo(box.max[0] - box.min[0], 1);
    const size = handlesUnder(handlesOf(recipe.steps[1], box, steps[0].box), since).find(({ along }) => along === 'x')!;
    expect(size.at[0]).toBeCloseTo(now.max[0], 3);
    const after = size.to([now.max[0] + 3, 0]).reduce((result, { path, value }) => withField(result, 's2', path, value), recipe);
    const moved = built(workshop, after).steps[1];
    expect(boxUnder(moved.since!, moved.box).max[0]).toBeCloseTo(now.max[0] + 3, 0);
  });

  it('are none where it was turned', () => {
    const { steps } = built(workshop, recipe);
    const turned = handlesUnder(handlesOf(recipe.steps[1], steps[1].box, steps[0].box), turn('x', 90));
    expect(turned).toEqual([]);
  });
}); // oxfmt-ignore
