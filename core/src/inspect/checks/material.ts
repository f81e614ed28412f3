import { formatNumber } from '../../recipe/amount.ts';
import { inMoney } from '../result/inWords.ts';
import { needOfPrint } from './needOfPrint.ts';
import { said, say } from '../../words/index.ts';

/** Holds the filament that a print takes against what the class allows for one part, and says what it costs. */
export const material = needOfPrint({
  id: 'material',
  get title() {
    return say('Filament');
  },
  why: {
    words: said([
      'Filament is bought by weight.',
      'A part that needs more than its share leaves less for everyone else.',
    ]),
    drawing: [
      ['solid', 'M60 10a21 21 0 1 1 -0.01 0Z'],
      ['air', 'M60 23a8 8 0 1 1 -0.01 0Z'],
      ['line', 'M81 31C92 31 92 52 108 52'],
    ],
  },
  notes: {
    measures: 'The grams of filament of the sliced part; and what they cost at `filamentPricePerKg`.',
    limit: '`maxGrams`.',
    blindSpots: 'As for time.',
  },
  limit: ({ maxGrams }) => maxGrams,
  needed: ({ grams }) => grams,
  unit: 'g',
  say: (grams, verdict, { maxGrams, filamentPricePerKg, currency }) => {
    const cost = inMoney((grams * filamentPricePerKg) / 1000, currency);
    const is = say('The print takes {grams} g of filament, about {cost}', {
      grams: formatNumber(Math.round(10 * grams) / 10),
      cost,
    });
    const bound = say('the {maxGrams} g that the class allows for one part', {
      maxGrams: formatNumber(maxGrams),
    });
    return {
      fail: say('{is}, more than {bound}.', { is, bound }),
      warn: say('{is}, close to {bound}.', { is, bound }),
      pass: `${is}.`,
    }[verdict];
  },
});
