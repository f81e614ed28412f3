import { formatMm } from '../../recipe/sentence.ts';
import { inMoney } from '../result/inWords.ts';
import { needOfPrint } from './needOfPrint.ts';

/** Holds the filament that a print takes against what the class allows for one part, and says what it costs. */
export const material = needOfPrint({
  id: 'material',
  title: 'Filament',
  why: {
    words: [
      'Filament is bought by weight.',
      'A part that needs more than its share leaves less for everyone else.',
    ],
    drawing: [
      ['solid', 'M60 10a21 21 0 1 1 -0.01 0Z'],
      ['air', 'M60 23a8 8 0 1 1 -0.01 0Z'],
      ['line', 'M81 31C92 31 92 52 108 52'],
    ],
  },
  limit: ({ maxGrams }) => maxGrams,
  needed: ({ grams }) => grams,
  unit: 'g',
  say: (grams, verdict, { maxGrams, filamentPricePerKg, currency }) => {
    const cost = inMoney((grams * filamentPricePerKg) / 1000, currency);
    const is = `The print takes ${formatMm(Math.round(10 * grams) / 10)} g of filament, about ${cost}`;
    const bound = `the ${formatMm(maxGrams)} g that the class allows for one part`;
    return {
      fail: `${is}, more than ${bound}.`,
      warn: `${is}, close to ${bound}.`,
      pass: `${is}.`,
    }[verdict];
  },
});
