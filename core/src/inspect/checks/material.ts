import { formatMm } from '../../recipe/sentence.ts';
import type { Check } from '../check.ts';
import { againstCard } from './againstCard.ts';

/** Holds the filament that a print takes against what the class allows for one part. */
export const material: Check = {
  id: 'material',
  title: 'Filament',
  inspect: ({ about }, { maxGrams }) =>
    againstCard(about.print?.grams, maxGrams, 'g', (grams, verdict) => {
      const is = `The print takes ${formatMm(Math.round(10 * grams) / 10)} g of filament`;
      const bound = `${formatMm(maxGrams)} g for one part`;
      return verdict === 'fail' ? `${is}; the class has ${bound}.` : `${is}, close to the ${bound}.`;
    }),
};
