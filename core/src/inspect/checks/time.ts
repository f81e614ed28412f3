import { formatMm } from '../../recipe/sentence.ts';
import type { Check } from '../check.ts';
import { againstCard } from './againstCard.ts';

/** Holds the minutes that a print takes against what the class allows for one part. */
export const time: Check = {
  id: 'time',
  title: 'Time',
  inspect: ({ about }, { maxMinutes }) =>
    againstCard(about.print?.minutes, maxMinutes, 'min', (minutes, verdict) => {
      const is = `The print takes ${formatMm(Math.round(minutes))} minutes`;
      const bound = `${formatMm(maxMinutes)} for one part`;
      return verdict === 'fail' ? `${is}; the class has ${bound}.` : `${is}, close to the ${bound}.`;
    }),
};
