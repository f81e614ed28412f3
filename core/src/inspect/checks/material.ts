import { formatMm } from '../../recipe/sentence.ts';
import { needOfPrint } from './needOfPrint.ts';

/** Holds the filament that a print takes against what the class allows for one part. */
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
  say: (grams, verdict, most) => {
    const is = `The print takes ${formatMm(Math.round(10 * grams) / 10)} g of filament`;
    const bound = `${formatMm(most)} g for one part`;
    return verdict === 'fail' ? `${is}; the class has ${bound}.` : `${is}, close to the ${bound}.`;
  },
});
