import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { built, genusOf, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { sizeOf, boundsOf } from '../../mesh/index.ts';
import type { Workshop } from '../../solid/index.ts';
import {
  handlesOf,
  plainSentence,
  plateBox,
  sentenceOf,
  setFields,
  type Placement,
  type Step,
} from '../index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const drum = stepOf('extrude', 's1', undefined, {
  outline: { shape: 'circle', diameterMm: 40 },
  depth: { type: 'by', mm: 12 },
});
const block = stepOf('extrude', 's1', undefined, {
  outline: { shape: 'roundedRectangle', widthMm: 60, depthMm: 20, cornerMm: 0 },
  depth: { type: 'by', mm: 12 },
});
const on = (more: Partial<Placement>): Placement => ({
  on: { step: 's1' },
  x: { relation: 'centred' },
  y: { relation: 'centred' },
  z: { relation: 'inFrom', edge: 'high', mm: 0 },
  ...more,
});
const tooth = (aroundDeg?: number) =>
  stepOf('extrude', 's2', 's1', {
    outline: { shape: 'roundedRectangle', widthMm: 6, depthMm: 4, cornerMm: 0 },
    depth: { type: 'by', mm: 12 },
    placement: on({
      x: { relation: 'beside', edge: 'high', overlapMm: 2 },
      z: { relation: 'inFrom', edge: 'low', mm: 0 },
      ...(aroundDeg !== undefined && { aroundDeg }),
    }),
  });
const bore = (aroundDeg?: number, more: Partial<Extract<Step, { kind: 'hole' }>> = {}) =>
  stepOf('hole', 's2', 's1', {
    facing: 'front',
    placement: on({ z: { relation: 'centred' }, ...(aroundDeg !== undefined && { aroundDeg }) }),
    ...more,
  });
const of = (...steps: Step[]) => built(workshop, recipeWith(steps));

describe('what is carried around the middle of what it is on', () => {
  it('lies there as it lay before', () => {
    const right = of(drum, tooth());
    const back = of(drum, tooth(90));
    expect(back.volumeMm3).toBeCloseTo(right.volumeMm3, 6);
    const [width, depth] = sizeOf(boundsOf(right.mesh));
    expect(sizeOf(boundsOf(back.mesh)).map((mm) => Math.round(mm * 1e6) / 1e6)).toEqual([depth, width, 12].map((mm) => expect.closeTo(mm, 6) as number)); // oxfmt-ignore
    expect(of(drum, tooth(30)).volumeMm3 / right.volumeMm3).toBeCloseTo(1, 4);
    // Around what it is on, wherever that is.
    const moved = { ...drum, placement: { ...on({}), on: { plate: true }, x: { relation: 'at', own: 'middle', mm: 50 }, z: { relation: 'at', own: 'low', mm: 0 } } } as Step; // oxfmt-ignore
    const { max } = boundsOf(of(moved, tooth(180)).mesh);
    expect(max[0]).toBeCloseTo(70, 6);
  });

  it('is cut right through whatever is there, and as deep as it says where the surface is', () => {
    const through = of(block, bore(90));
    // Front to back the block is 20 mm; carried by a quarter, the hole goes through all of its 60 mm.
    expect(genusOf(through.mesh)).toBe(1);
    const { volumeMm3: whole } = of(block);
    const area = (whole - of(block, bore()).volumeMm3) / 20;
    expect(whole - through.volumeMm3).toBeCloseTo(60 * area, 3);
    const sunk = { rim: { type: 'countersink', acrossMm: 8 } } as const;
    const straight = of(drum).volumeMm3 - of(drum, bore(undefined, sunk)).volumeMm3;
    const carried = of(drum).volumeMm3 - of(drum, bore(45, sunk)).volumeMm3;
    expect(carried / straight).toBeCloseTo(1, 2);
  });

  it('is raised to where it looks, and its plan lies there', () => {
    const letters = stepOf('letters', 's2', 's1', { facing: 'front', placement: on({ y: { relation: 'beside', edge: 'low', overlapMm: 0 }, z: { relation: 'centred' }, aroundDeg: 90 }) }); // oxfmt-ignore
    const { origin } = of(block, letters);
    expect(origin.reliefs[0].direction).toEqual([1, 0, 0].map((part) => expect.closeTo(part, 9) as number));
    const plan = of(drum, tooth(90)).steps[1].plan.flat();
    expect(Math.max(...plan.map(([, y]) => y))).toBeCloseTo(24, 6);
  });

  it('is moved where it is dragged', () => {
    const recipe = recipeWith([drum, tooth(90)]);
    const { steps } = built(workshop, recipe);
    const [move] = handlesOf(recipe.steps[1], steps[1].box, steps[0].box);
    const edited = setFields(recipe, 's2', move.to([move.at[0], move.at[1] + 1]));
    if (!edited.ok) throw new Error(edited.problem.message);
    expect(built(workshop, edited.recipe).steps[1].box.max[1]).toBeCloseTo(steps[1].box.max[1] + 1, 6);
    expect(handlesOf(recipe.steps[1], steps[1].box, plateBox).map(({ kind }) => kind)).toEqual(['move']);
  });

  it('is read aloud', () => {
    const recipe = recipeWith([drum, bore(30)]);
    expect(plainSentence(sentenceOf(recipe.steps[1], { recipe, index: 1 }))).toMatch(
      / on step 1; carried 30° around its middle\.$/,
    );
  });
});
