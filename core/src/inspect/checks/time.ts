import { formatMm } from '../../recipe/sentence.ts';
import { needOfPrint } from './needOfPrint.ts';

/** Holds the minutes that a print takes against what the class allows for one part. */
export const time = needOfPrint({
  id: 'time',
  title: 'Time',
  limit: ({ maxMinutes }) => maxMinutes,
  needed: ({ minutes }) => minutes,
  unit: 'min',
  say: (minutes, verdict, most) => {
    const is = `The print takes ${formatMm(Math.round(minutes))} minutes`;
    const bound = `${formatMm(most)} for one part`;
    return verdict === 'fail' ? `${is}; the class has ${bound}.` : `${is}, close to the ${bound}.`;
  },
});
