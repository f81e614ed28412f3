import { beforeAll, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { block } from '../../test/block.ts';
import { built, recipeWith, stepOf, withField } from '../../test/evaluated.ts';
import { pickedFace } from '../recipe/index.ts';
import type { Workshop } from '../solid/index.ts';
import { on } from '../starters/places.ts';
import { boundsOf, restingFaces, sizeOf } from './index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const post = stepOf('extrude', 's2', 's1', {
  outline: { shape: 'circle', diameterMm: 6 },
  depth: { type: 'by', mm: 5 },
  placement: on('s1'),
});

it('a part can lie on each flat face that has all of it on one side, the largest first', () => {
  const faces = restingFaces(built(workshop, recipeWith([block, post])).mesh);
  const rounded = faces.map(({ normal, areaMm2 }) => [
    ...normal.map((part) => Math.round(part) + 0),
    Math.round(areaMm2),
  ]);
  expect(rounded[0]).toEqual([0, 0, -1, 1200]);
  expect(rounded.slice(1, 5).map(([, , , area]) => area)).toEqual([400, 400, 300, 300]);
  // The block's upper face is not among them, since the post stands on it; the post's own is.
  expect(rounded.slice(5)).toEqual([[0, 0, 1, 28]]);
});

it('the face that is picked is remembered as it looks, where the part was not turned', () => {
  const recipe = recipeWith([block, post, stepOf('setDown', 's3', undefined)]);
  for (const normal of [
    [0, 0, 1],
    [0, -1, 0],
    [0.6, 0, 0.8],
  ] as const)
    // oxfmt-ignore
    expect(pickedFace(recipe.steps[2], [...normal], new Map())).toEqual({
      normal: normal.map((part) => expect.closeTo(part, 9) as number),
    });
});

it('the face that is picked on a part as it lies is the one that lies down, whatever was chosen before', () => {
  let recipe = recipeWith([block, post, stepOf('setDown', 's3', undefined, { turnDeg: 30 })]);
  for (const pick of [1, 3, 2]) {
    const { mesh } = built(workshop, recipe);
    const { normal } = restingFaces(mesh)[pick];
    recipe = withField(recipe, 's3', ['face'], pickedFace(recipe.steps[2], normal, new Map()));
    const lying = restingFaces(built(workshop, recipe).mesh).find((face) => face.normal[2] < -0.999);
    expect(lying).toBeDefined();
  }
  expect(pickedFace(recipe.steps[0], [0, 0, 1], new Map())).toBeUndefined();
  expect(
    sizeOf(boundsOf(built(workshop, withField(recipe, 's3', ['turnDeg'], undefined)).mesh))[2],
  ).toBeCloseTo(30, 3);
});
