import { describe, expect, it } from 'vitest';
import { label } from '../../test/recipes.ts';
import { withField } from '../../test/evaluated.ts';
import { addMeasure, addStep, duplicateStep, moveStep, removeStep } from './edits.ts';
import { differencesOf } from './differences.ts';
import type { Recipe } from './recipe.ts';

const words = (before: Recipe, after: Recipe) => differencesOf(before, after).map((change) => change.words);

describe('what changed between two recipes', () => {
  it('is nothing for a recipe and itself', () => {
    expect(differencesOf(label(), structuredClone(label()))).toEqual([]);
  });

  it('names the fields of a step with what they were and are', () => {
    const wider = withField(label(), 's1', ['outline', 'widthMm'], 90);
    const both = withField(wider, 's1', ['depth', 'mm'], { formula: '2 * thin' });
    expect(differencesOf(label(), both)).toEqual([
      { stepId: 's1', words: 'Step 1: width 84 → 90 mm; height 2.6 → (2 × thin) mm' },
    ]);
    expect(words(label(), withField(label(), 's2', ['size', 'mm'], 1.6))).toEqual([
      'Step 2: diameter Ø 4.5 → Ø 1.6 mm',
    ]);
    expect(words(label(), label('Mint'))).toEqual(['Step 3: “Basil” → “Mint”']);
    expect(words(label(), withField(label(), 's3', ['effect'], 'sunk'))).toEqual(['Step 3: raised → sunk']);
  });

  it('names what changed of a piece of an outline, and of colours, once', () => {
    const piece = (id: string, diameterMm: number, xMm: number) => ({
      id,
      how: 'and',
      outline: { shape: 'circle', diameterMm },
      place: { from: 'middle', xMm, yMm: 2 },
    });
    const pieces = (across: number) =>
      withField(label(), 's1', ['outline'], { shape: 'combined', pieces: [piece('p1', 30, 1), piece('p2', across, 9)] }); // oxfmt-ignore
    expect(words(pieces(20), pieces(22))).toEqual(['Step 1: diameter Ø 20 → Ø 22 mm']);
    const green = addStep(label(), 'colours');
    expect(words(green, withField(green, 's4', ['first'], 'plum'))).toEqual(['Step 4: leaf green → plum']);
  });

  it('reads out a sentence that is another one', () => {
    const rim = withField(label(), 's1', ['outline'], { shape: 'circle', diameterMm: 30 });
    expect(words(label(), rim)).toEqual([expect.stringMatching(/^Step 1 now reads: Extrude a circle/)]);
  });

  it('tells of new, deleted, named and switched off steps', () => {
    const more = addStep(label(), 'hole');
    expect(words(label(), more)).toEqual([expect.stringMatching(/^Step 4 is new: Cut a hole/)]);
    expect(words(more, label())).toEqual([expect.stringMatching(/^Gone: step 4, Cut a hole/)]);
    const named = withField(withField(label(), 's2', ['name'], 'String hole'), 's3', ['off'], true);
    expect(words(label(), named)).toEqual(['Step 2 is called “String hole”', 'Step 3 is switched off']);
    expect(words(named, label())).toEqual([
      'Step 2 is not called “String hole” any more',
      'Step 3 is switched on again',
    ]);
  });

  it('tells of one moved step once, and of none that only gave way', () => {
    const recipe = addStep(addStep(label(), 'solid'), 'eyelet');
    expect(words(recipe, moveStep(recipe, 's5', -3))).toEqual(['Step 2 was step 5']);
    const copied = duplicateStep(recipe, 's1')!.recipe;
    expect(words(recipe, copied)).toEqual([expect.stringMatching(/^Step 2 is new/)]);
    // A sentence that names a step by its number does not change when only the number does.
    expect(words(recipe, removeStep(copied, 's6'))).toEqual([]);
  });

  it('tells of measures', () => {
    const one = addMeasure(label());
    const other = { ...one, measures: [{ name: 'a', value: { formula: '2 * 6' } }] };
    expect(words(label(), one)).toEqual(['New measure: a = 10']);
    expect(words(one, other)).toEqual(['The measure a: 10 → 2 * 6']);
    expect(words(other, label())).toEqual(['Gone: the measure a']);
  });
});
