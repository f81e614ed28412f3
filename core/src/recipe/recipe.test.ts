import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyRecipe } from '../../test/anyRecipe.ts';
import { label } from '../../test/recipes.ts';
import {
  addStep,
  emptyRecipe,
  moveStep,
  parseRecipe,
  plainSentence,
  referenceProblem,
  removeStep,
  sameRecipe,
  sentenceOf,
  setField,
} from './index.ts';

const sentences = (recipe: ReturnType<typeof label>) =>
  recipe.steps.map((step, index) => plainSentence(sentenceOf(step, { recipe, index })));

describe('sentences', () => {
  it('read as plain English with the numbers in them', () => {
    expect(sentences(label())).toEqual([
      'Extrude a rounded rectangle 70 mm × 25 mm, corners 4 mm, up 2.4 mm in the middle of the plate.',
      'Cut a hole of Ø 4 mm right through, its middle 6 mm in from the left and centred front to back on step 1.',
      'Write “Basil” in Sturdy, 11 mm tall, raised 1.2 mm, centred left to right and centred front to back on step 1.',
    ]);
  });

  it('offer every number of a step as a field that leads back to its value', () => {
    const recipe = label();
    for (const [index, step] of recipe.steps.entries()) {
      for (const token of sentenceOf(step, { recipe, index })) {
        if (token.type !== 'number') continue;
        const edited = setField(recipe, step.id, token.path, token.value + 0.5);
        expect(edited.ok).toBe(true);
        if (!edited.ok) continue;
        const changed = sentenceOf(edited.recipe.steps[index], { recipe: edited.recipe, index });
        expect(changed).toContainEqual({ ...token, value: token.value + 0.5 });
      }
    }
  });

  it('offer only choices that make a valid step', () => {
    const recipe = label();
    for (const [index, step] of recipe.steps.entries()) {
      for (const token of sentenceOf(step, { recipe, index })) {
        if (token.type !== 'choice') continue;
        for (const option of token.options) {
          expect(setField(recipe, step.id, token.path, option.value)).toMatchObject({ ok: true });
        }
      }
    }
  });
});

describe('edits', () => {
  it('leave the recipe that went in as it was', () => {
    const before = label();
    const kept = structuredClone(before);
    setField(before, 's1', ['outline', 'widthMm'], 90);
    addStep(before, 'hole');
    moveStep(before, 's1', 1);
    removeStep(before, 's1');
    expect(before).toEqual(kept);
  });

  it('refuse a value that cannot be, and say at which field', () => {
    const result = setField(label(), 's1', ['outline', 'widthMm'], -3);
    expect(result).toMatchObject({ ok: false, problem: { stepId: 's1', path: ['outline', 'widthMm'] } });
  });

  it('never use an id again', () => {
    const added = addStep(removeStep(addStep(label(), 'hole'), 's4'), 'hole');
    expect(new Set(added.steps.map(({ id }) => id)).size).toBe(4);
  });

  it('put what stood on a removed step where that stood', () => {
    const without = removeStep(label(), 's1');
    expect(referenceProblem(without)).toBeUndefined();
    expect(without.steps.map(({ placement }) => placement.on)).toEqual([{ plate: true }, { plate: true }]);
  });

  it('can put a step before the one it is placed on, which is then said', () => {
    const moved = moveStep(label(), 's2', -1);
    expect(referenceProblem(moved)).toMatchObject({
      stepId: 's2',
      message: 'Step 1 is placed on step 2, which does not come before it.',
    });
  });
});

describe('reading a recipe', () => {
  it('gives back what was written, for any recipe', () => {
    fc.assert(
      fc.property(anyRecipe, (recipe) => {
        expect(parseRecipe(JSON.parse(JSON.stringify(recipe)))).toEqual({ ok: true, recipe });
      }),
    );
  });

  it('knows equal recipes by what they say and not by the order of their keys', () => {
    const reversed = JSON.parse(JSON.stringify(label()), (_, value: unknown) =>
      value !== null && typeof value === 'object' && !Array.isArray(value)
        ? Object.fromEntries(Object.entries(value).reverse())
        : value,
    ) as ReturnType<typeof label>;
    expect(sameRecipe(label(), reversed)).toBe(true);
    expect(sameRecipe(label(), label('Mint'))).toBe(false);
  });

  it.each([
    ['nothing', null, 'not a recipe'],
    ['another format', { format: 'other', version: 1, steps: [] }, 'not a recipe'],
    ['a newer version', { ...emptyRecipe(), version: 99 }, 'not a recipe'],
    ['an unknown kind of step', { ...emptyRecipe(), steps: [{ id: 's1', kind: 'magic' }] }, 'Step 1'],
    ['a field too many', { ...emptyRecipe(), steps: [{ ...label().steps[0], extra: 1 }] }, 'extra'],
    [
      'a number that is none',
      { ...emptyRecipe(), steps: [{ ...label().steps[0], upMm: NaN }] },
      'Step 1, upMm',
    ],
    ['one id twice', { ...emptyRecipe(), steps: [label().steps[0], label().steps[0]] }, 'Step 2, id'],
  ])('refuses %s in one sentence', (_, data, words) => {
    const parsed = parseRecipe(data);
    expect(parsed).toMatchObject({
      ok: false,
      problem: { message: expect.stringContaining(words) as string },
    });
  });
});
