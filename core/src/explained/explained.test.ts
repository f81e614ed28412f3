import { describe, expect, it } from 'vitest';
import { addOffered, emptyRecipe, plainSentence, sentenceOf, stepOffers } from '../recipe/index.ts';
import { svgOf } from '../inspect/index.ts';
import { tradeWords, tradeWordsIn } from './index.ts';

const wordsIn = (sentence: string) => tradeWordsIn(sentence).map(({ word }) => word);

describe('words of the trade', () => {
  it('are found in a sentence in whatever form, each once, and not inside others', () => {
    expect(wordsIn('Extrude a slot; chamfer the top edge 0.6 mm, and chamfered below.')).toEqual([
      'extrude',
      'chamfer',
      'slot',
    ]);
    expect(wordsIn('Write “Plate” in Sturdy, raised 1.2 mm')).toEqual(['raised', 'plate']);
    expect(wordsIn('It goes around the middle.')).toEqual([]);
  });

  it('explain themselves in short sentences, each with a drawing on the plate', () => {
    for (const { word, explained, drawing } of tradeWords()) {
      expect(
        explained.split(/[.] /).every((each) => each.split(' ').length <= 18),
        word,
      ).toBe(true);
      expect(svgOf(drawing), word).toMatch(/^<svg .*<path d="M/s);
      // Nothing is drawn outside of its box.
      for (const [, path] of drawing) {
        const numbers = path.match(/-?\d+(\.\d+)?/g)!.map(Number);
        expect(Math.min(...numbers), word).toBeGreaterThanOrEqual(-1);
        expect(Math.max(...numbers), word).toBeLessThanOrEqual(118);
      }
    }
    expect(new Set(tradeWords().map(({ word }) => word)).size).toBe(tradeWords().length);
  });

  it('are there for nearly every kind of step', () => {
    const label = addOffered(emptyRecipe(), { offer: 'shape' });
    const without = stepOffers(label).filter(({ id }) => {
      const { steps } = addOffered(label, { offer: id });
      const index = steps.length - 1;
      const tokens = sentenceOf(steps[index], { recipe: { ...label, steps }, index });
      return wordsIn(plainSentence(tokens)).length === 0;
    });
    expect(
      without
        .map(({ id }) => id)
        .sort()
        .join(' '),
    ).toBe('colours cutSolid hole repeat scale setDown sizes solid trim');
  });
});
