import * as z from 'zod';
import { formatNumber, percent } from '../amount.ts';
import { edgeWords } from '../placement.ts';
import { oneOf, share, text } from '../sentence.ts';
import { stepSchema, type StepKind } from './stepKind.ts';
import { say } from '../../words/index.ts';

export const schema = stepSchema('taper', {
  /** How large it is at its top, of what it was there. */
  topPercent: percent(1, 300),
  ways: z.enum(['both', 'x', 'y']),
});
export type TaperStep = z.infer<typeof schema>;

/** Makes the whole part narrower with height, or wider; its foot stays as it is. */
export const taper: StepKind<TaperStep> = {
  kind: 'taper',
  get label() {
    return say('Taper the part');
  },
  group: 'whole',
  offers: () => [
    {
      id: 'taper',
      label: say('Taper the part'),
      wish: 'whole',
      words: say('narrow pointed lean in slant sides wide'),
    },
  ],

  create: (id) => ({ id, kind: 'taper', topPercent: 80, ways: 'both' }),

  sentence: (step) => [
    text('Taper the whole part'),
    oneOf(['ways'], 'which ways it is tapered', step.ways, {
      both: say('all around'),
      x: edgeWords.x.both,
      y: edgeWords.y.both,
    }),
    text(', to'),
    share(['topPercent'], step.topPercent, 'size at the top', { min: 1, max: 300, nudge: 5 }),
    text('of its size at the top.'),
  ],

  build({ topPercent, ways }, kit) {
    const box = kit.partBox();
    if (!box)
      return kit.fail([], say('There is nothing to taper yet: put this step after one that adds material.'));
    const { min, max } = box;
    if (topPercent < 100) {
      kit.note(
        say('At the top everything becomes {percent} % of its size, thin walls and holes as well.', {
          percent: formatNumber(topPercent),
        }),
      );
    }
    const perMm = (topPercent / 100 - 1) / (max[2] - min[2]);
    return {
      operations: [],
      taper: {
        middle: [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2],
        fromMm: min[2],
        perMm: [ways === 'y' ? 0 : perMm, ways === 'x' ? 0 : perMm],
      },
    };
  },
};
