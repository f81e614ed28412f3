import { describe, expect, it } from 'vitest';
import { everyStep } from '../../test/everyStep.ts';
import { recipeWith, stepOf } from '../../test/evaluated.ts';
import { starters } from '../starters/index.ts';
import { plainSentence, sentenceOf, shortSentenceOf, type Recipe, type Token } from './index.ts';
import { shortSentence } from './shortSentence.ts';

const short = (recipe: Recipe, index: number) =>
  plainSentence(shortSentenceOf(recipe.steps[index], { recipe, index }));
const wordsIn = (sentence: string) =>
  sentence.split(/\s+/).filter((word) => /[\p{L}\p{N}]/u.test(word)).length;

describe('a sentence at which nobody works', () => {
  it.each([
    [
      'seed-label',
      0,
      'Extrude a rounded rectangle 84 mm × 28 mm, corners 5 mm, up 2.6 mm; chamfer the top edge 0.6 mm.',
    ],
    ['seed-label', 1, 'Cut a hole of Ø 4.5 mm, right through, 7 mm in from the left on “plate”.'],
    [
      'seed-label',
      2,
      'Write “Basil”, 12 mm tall, raised 1.2 mm, in the middle of the free space on “plate”.',
    ],
    ['cane-clip', 0, 'Extrude a combined outline of 3 pieces, up 12 mm.'],
    ['pot-foot', 0, 'Turn a profile with 5 points.'],
    [
      'row-token',
      1,
      'Cut a circle Ø 26 mm, 1 mm deep, in the middle of “coin”; chamfer the top edge 0.4 mm.',
    ],
  ])('of the example %s leaves out what is as always: step %i', (id, index, words) => {
    const { recipe } = starters.find((starter) => starter.id === id)!;
    expect(short(recipe, index)).toBe(words);
  });

  it('ends behind a clause where it grows longer than one reads at a glance', () => {
    const clause = (...words: string[]): Token[] => words.flatMap((word) => [{ type: 'text', text: word }]);
    const nine = clause(...Array.from({ length: 9 }, (_, i) => `word${i}`));
    const comma: Token = { type: 'text', text: ',' };
    const cut = shortSentence([...nine, comma, ...nine, comma, ...nine, comma, ...nine]);
    expect(plainSentence(cut)).toBe(`${plainSentence([...nine, comma, ...nine, comma, ...nine])}, …`);
    const whole = [...nine, comma, ...nine];
    expect(shortSentence(whole)).toEqual(whole);
  });

  it('says what is not as always', () => {
    const block = stepOf('extrude', 's1', undefined, {});
    const recipe = recipeWith([
      block,
      stepOf('letters', 's2', 's1', {
        facing: 'front',
        placement: {
          on: { step: 's1' },
          x: { relation: 'centred', mm: 3 },
          y: { relation: 'beside', edge: 'low', overlapMm: 0 },
          z: { relation: 'inFrom', edge: 'low', mm: 2 },
        },
      }),
    ]);
    expect(short(recipe, 1)).toContain('on the front');
    expect(short(recipe, 1)).toContain('3 mm right of the middle and 2 mm above its bottom on step 1');
  });

  it('has at most 28 words, ends with a full stop, and holds fields of the whole one alone', () => {
    for (const { recipe, index, step } of everyStep()) {
      const tokens = shortSentenceOf(step, { recipe, index });
      const words = plainSentence(tokens);
      expect(wordsIn(words), words).toBeLessThanOrEqual(28);
      expect(words).toMatch(/[.?…]$/);
      expect(words).not.toMatch(/[,;] *[,;.]|^[,;]/);
      const paths = new Set(
        sentenceOf(step, { recipe, index }).flatMap((token) => ('path' in token ? token.path.join() : [])),
      );
      for (const token of tokens) if ('path' in token) expect(paths).toContain(token.path.join());
    }
  });
});
