import { inHours } from '../result/inWords.ts';
import { needOfPrint } from './needOfPrint.ts';

/** Holds the minutes that a print takes against what the class allows for one part. */
export const time = needOfPrint({
  id: 'time',
  title: 'Time',
  why: {
    words: [
      'The class shares its printers.',
      'A print that takes too long does not finish before the bell, and others wait.',
    ],
    drawing: [
      ['solid', 'M60 10a21 21 0 1 1 -0.01 0Z'],
      ['line', 'M60 18V31L70 38'],
    ],
  },
  limit: ({ maxMinutes }) => maxMinutes,
  needed: ({ minutes }) => minutes,
  unit: 'min',
  say: (minutes, verdict, { maxMinutes }) => {
    const is = `The print takes about ${inHours(60 * minutes)}`;
    const bound = `the ${inHours(60 * maxMinutes)} that the class allows for one part`;
    return { fail: `${is}, more than ${bound}.`, warn: `${is}, close to ${bound}.`, pass: `${is}.` }[verdict];
  },
});
