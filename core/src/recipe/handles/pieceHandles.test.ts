import { beforeAll, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { built, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { extentOf } from '../../plane/index.ts';
import { evaluate, type Workshop } from '../../solid/index.ts';
import {
  pieceHandles,
  setFields,
  type CombinedOutline,
  type DrawnPieces,
  type Piece,
  type Recipe,
} from '../index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const box = (widthMm: number, depthMm: number): Piece['outline'] => ({
  shape: 'roundedRectangle',
  widthMm,
  depthMm,
  cornerMm: 0,
});

const recipeOf = (pieces: Piece[]): Recipe =>
  recipeWith([stepOf('extrude', 's1', undefined, { outline: { shape: 'combined', pieces } })]);

const pieces: Piece[] = [
  { id: 'p1', how: 'and', outline: box(20, 10), place: { from: 'middle', xMm: 0, yMm: 0 } },
  {
    id: 'p2',
    how: 'and',
    outline: box(6, 4),
    place: {
      from: 'piece',
      piece: 'p1',
      x: { relation: 'beside', edge: 'high', overlapMm: 1 },
      y: { relation: 'centred' },
    },
  },
  { id: 'p3', how: 'without', outline: { shape: 'circle', diameterMm: 3 }, place: { from: 'middle', xMm: { formula: '2 + 1' }, yMm: 1 } }, // oxfmt-ignore
];

function drawnOf(recipe: Recipe): DrawnPieces {
  return built(workshop, recipe).steps[0].pieces!;
}
const outlineOf = (recipe: Recipe) => (recipe.steps[0] as { outline: CombinedOutline }).outline;

it.each([
  ['where it was drawn', 0, [7, -3]],
  ['on another piece', 1, [15.5, 6]],
])('a piece that lies %s comes to lie where it is dragged', (_, index, to) => {
  const recipe = recipeOf(pieces);
  const { pieces: laid } = drawnOf(recipe);
  const [move] = pieceHandles(outlineOf(recipe), index, laid, ['outline']);
  const edited = setFields(recipe, 's1', move.to([to[0], to[1]]));
  if (!edited.ok) throw new Error(edited.problem.message);
  const { x, y } = extentOf(drawnOf(edited.recipe).pieces[index].own);
  expect([(x.low + x.high) / 2, (y.low + y.high) / 2]).toEqual(
    to.map((mm) => expect.closeTo(mm, 6) as number),
  );
  expect(outlineOf(edited.recipe).pieces[index].place.from).toBe(pieces[index].place.from);
});

it('a piece that is dragged over its host is not beside it any more', () => {
  const recipe = recipeOf(pieces);
  const { pieces: laid } = drawnOf(recipe);
  const [move] = pieceHandles(outlineOf(recipe), 1, laid, ['outline']);
  const placeAt = (x: number) => (move.to([x, 0])[0].value as { x: unknown }).x;
  expect(placeAt(10)).toEqual({ relation: 'beside', edge: 'high', overlapMm: 3 });
  expect(placeAt(8)).toEqual({ relation: 'centred', mm: 8 });
  expect(placeAt(0)).toEqual({ relation: 'centred' });
});

it('a number that is worked out is not dragged, and the other one is', () => {
  const recipe = recipeOf(pieces);
  const { pieces: laid } = drawnOf(recipe);
  const [move] = pieceHandles(outlineOf(recipe), 2, laid, ['outline']);
  expect(move.to([9, 5])).toEqual([
    { path: ['outline', 'pieces', 2, 'place'], value: { from: 'middle', xMm: { formula: '2 + 1' }, yMm: 5 } },
  ]);
  expect(move.to(move.at)).toEqual([]);
});

it('a piece grows from the edge that its place holds', () => {
  const recipe = recipeOf(pieces);
  const { pieces: laid } = drawnOf(recipe);
  const width = pieceHandles(outlineOf(recipe), 1, laid, ['outline']).find(({ along }) => along === 'x')!;
  // Its left edge lies at 9 and stays there.
  expect(width.to([17, 0])).toEqual([{ path: ['outline', 'pieces', 1, 'outline', 'widthMm'], value: 8 }]);
  const turned = { ...outlineOf(recipe), pieces: pieces.with(1, { ...pieces[1], turnDeg: 30 }) };
  expect(pieceHandles(turned, 1, laid, ['outline']).map(({ kind }) => kind)).toEqual(['move', 'turn']);
});

it('pieces that cannot be put together are still known where they lie', () => {
  const apart: Piece = {
    id: 'p2',
    how: 'within',
    outline: box(4, 4),
    place: { from: 'middle', xMm: 90, yMm: 0 },
  };
  const result = evaluate(recipeOf([pieces[0], apart]), workshop);
  if (result.ok) throw new Error('was built');
  expect(result.problem.message).toContain('Nothing of the outline lies within B');
  expect(result.problem.pieces?.pieces.map(({ id }) => id)).toEqual(['p1', 'p2']);
  expect(result.problem.pieces?.whole).toBeUndefined();
});
