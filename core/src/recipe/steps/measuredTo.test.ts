import { beforeAll, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { built, recipeWith, stepOf, withField } from '../../../test/evaluated.ts';
import type { Workshop } from '../../solid/index.ts';
import { plainSentence, sentenceOf, type Along, type Step } from '../index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const plate = stepOf('extrude', 's1', undefined, {
  outline: { shape: 'roundedRectangle', widthMm: 60, depthMm: 40, cornerMm: 0 },
});
/** A quarter of a disc that opens to the back; its axis is its tip. */
const quarter = (
  more: Partial<Extract<Step, { kind: 'extrude' }>> = {},
  x: Along = { relation: 'centred' },
) =>
  stepOf('extrude', 's2', 's1', {
    outline: { shape: 'sector', diameterMm: 20, deg: 90 },
    placement: {
      on: { step: 's1' },
      x,
      y: { relation: 'centred' },
      z: { relation: 'beside', edge: 'high', overlapMm: 0 },
    },
    measuredTo: 'axis',
    ...more,
  });
const boxOf = (step: Step) => built(workshop, recipeWith([plate, step])).steps[1].box;

it('an outline is placed by the axis that it is drawn about, and not by its edges', () => {
  const by = boxOf(quarter());
  expect(by.min[1]).toBeCloseTo(0, 6);
  expect(by.max[1]).toBeCloseTo(10, 6);
  const { measuredTo: _, ...edges } = quarter() as Extract<Step, { kind: 'extrude' }>;
  expect(boxOf(edges).min[1]).toBeCloseTo(-5, 6);
  // 12 mm in from the left is its tip, whatever reaches further.
  const left = boxOf(quarter({}, { relation: 'inFrom', edge: 'low', mm: 12 }));
  expect((left.min[0] + left.max[0]) / 2).toBeCloseTo(-30 + 12, 6);
});

it('an outline that is turned stays with its axis where it is', () => {
  const turned = boxOf(quarter({ turnDeg: 180 }));
  expect([turned.min[1], turned.max[1]]).toEqual([expect.closeTo(-10, 6), expect.closeTo(0, 6)]);
  // Of its size, only the other end moves.
  const recipe = recipeWith([plate, quarter()]);
  const larger = built(workshop, withField(recipe, 's2', ['outline', 'diameterMm'], 30)).steps[1].box;
  expect([larger.min[1], larger.max[1]]).toEqual([expect.closeTo(0, 6), expect.closeTo(15, 6)]);
});

it('is read aloud', () => {
  const recipe = recipeWith([plate, quarter()]);
  expect(plainSentence(sentenceOf(recipe.steps[1], { recipe, index: 1 }))).toContain(
    ' on step 1; measured to its own axis',
  );
});
