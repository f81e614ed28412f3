import { inHours } from '../result/inWords.ts';
import { needOfPrint } from './needOfPrint.ts';
import { said, say } from '../../words/index.ts';

/** Holds the minutes that a print takes against what the class allows for one part. */
export const time = needOfPrint({
  id: 'time',
  get title() {
    return say('Time');
  },
  why: {
    words: said([
      'The class shares its printers.',
      'A print that takes too long does not finish before the bell, and others wait.',
    ]),
    drawing: [
      ['solid', 'M60 10a21 21 0 1 1 -0.01 0Z'],
      ['line', 'M60 18V31L70 38'],
    ],
  },
  notes: {
    measures: 'The minutes of the sliced part, heating included.',
    limit: '`maxMinutes`.',
    blindSpots: 'Known once the part was sliced, a moment after the rest.',
  },
  limit: ({ maxMinutes }) => maxMinutes,
  needed: ({ minutes }) => minutes,
  unit: 'min',
  say: (minutes, verdict, { maxMinutes }) => {
    const is = say('The print takes about {minutes}', { minutes: inHours(60 * minutes) });
    const bound = say('the {maxMinutes} that the class allows for one part', {
      maxMinutes: inHours(60 * maxMinutes),
    });
    return {
      fail: say('{is}, more than {bound}.', { is, bound }),
      warn: say('{is}, close to {bound}.', { is, bound }),
      pass: `${is}.`,
    }[verdict];
  },
});
