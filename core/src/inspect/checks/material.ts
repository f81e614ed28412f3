import { formatMm } from '../../recipe/sentence.ts';
import { needOfPrint } from './needOfPrint.ts';

/** Holds the filament that a print takes against what the class allows for one part. */
export const material = needOfPrint({
  id: 'material',
  title: 'Filament',
  limit: ({ maxGrams }) => maxGrams,
  needed: ({ grams }) => grams,
  unit: 'g',
  say: (grams, verdict, most) => {
    const is = `The print takes ${formatMm(Math.round(10 * grams) / 10)} g of filament`;
    const bound = `${formatMm(most)} g for one part`;
    return verdict === 'fail' ? `${is}; the class has ${bound}.` : `${is}, close to the ${bound}.`;
  },
});
