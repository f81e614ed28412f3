import { expect, it } from 'vitest';
import { recipeWith, stepOf } from '../../test/evaluated.ts';
import { addOffered, setField, type Recipe } from '../recipe/index.ts';
import { isMended, shownBy } from './firstSteps.ts';

const plate = stepOf('extrude', 's1', undefined);
const start = recipeWith([plate, stepOf('letters', 's2', 's1')]);

function edited(recipe: Recipe, step: string, path: (string | number)[], value: unknown): Recipe {
  const result = setField(recipe, step, path, value);
  if (!result.ok) throw new Error(result.problem.message);
  return result.recipe;
}

it('a number that is typed, dragged or chosen is one, wherever it stands', () => {
  expect(shownBy(start, edited(start, 's1', ['outline', 'widthMm'], 71))).toEqual(['number']);
  const placed = edited(start, 's2', ['placement', 'x'], { relation: 'inFrom', edge: 'low', mm: 4 });
  expect(shownBy(placed, edited(placed, 's2', ['placement', 'x', 'mm'], 6))).toEqual(['number']);
});

it('a step that is added, named or given another shape changes no number of its own', () => {
  const added = addOffered(start, { offer: 'hole' });
  expect(shownBy(start, added)).toEqual([]);
  expect(shownBy(start, edited(start, 's1', ['outline'], { shape: 'circle', diameterMm: 40 }))).toEqual([]);
});

it('words are somebody’s once they are other words than those that stand for them', () => {
  expect(shownBy(start, edited(start, 's2', ['lettering', 'words'], 'Mint'))).toEqual(['name']);
  const mint = edited(start, 's2', ['lettering', 'words'], 'Mint');
  expect(shownBy(mint, start)).toEqual([]);
});

it('what only the brief asks for is nothing to mend', () => {
  const check = (id: string, verdict: 'pass' | 'fail') => ({ id, verdict }) as never;
  const inspection = (checks: never[]) => ({ verdict: 'fail', checks }) as never;
  expect(isMended(inspection([check('size', 'pass'), check('brief', 'fail')]))).toBe(true);
  expect(isMended(inspection([check('holes', 'fail')]))).toBe(false);
});
