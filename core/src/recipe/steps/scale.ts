import * as z from 'zod';
import { combined, shift, stretch, type Vec3 } from '../../mesh/index.ts';
import { formatNumber, length, percent, type Resolved } from '../amount.ts';
import { axes, axisIndex } from '../placement.ts';
import { choice, millimetres, oneOf, share, text, type Token } from '../sentence.ts';
import { stepSchema, type StepKind } from './stepKind.ts';
import { say } from '../../words/index.ts';

const size = () => percent(1, 1000);

const to = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('percent'), percent: size() }),
  /** Evenly, until the whole part has a length along one direction. */
  z.strictObject({ by: z.literal('length'), axis: z.enum(axes), mm: length() }),
  z.strictObject({ by: z.literal('each'), xPercent: size(), yPercent: size(), zPercent: size() }),
]);
type To = z.infer<typeof to>;

export const schema = stepSchema('scale', { to });
export type ScaleStep = z.infer<typeof schema>;

/** Makes the whole part larger or smaller where it stands. */
export const scale: StepKind<ScaleStep> = {
  kind: 'scale',
  get label() {
    return say('Scale the part');
  },
  group: 'whole',
  offers: () => [
    {
      id: 'scale',
      label: say('Scale the part'),
      wish: 'whole',
      words: say('bigger smaller size grow shrink large resize percent'),
    },
  ],

  create: (id) => ({ id, kind: 'scale', to: { by: 'percent', percent: 150 } }),

  sentence: (step) => [
    text('Scale the whole part'),
    choice(
      ['to'],
      'how it is scaled',
      [
        { label: 'to', value: { by: 'percent', percent: 150 } },
        { label: 'until it is', value: { by: 'length', axis: 'x', mm: 50 } },
        {
          label: 'each way by itself:',
          value: { by: 'each', xPercent: 100, yPercent: 100, zPercent: 150 },
        },
      ],
      ({ value }) => (value as To).by === step.to.by,
    ),
    ...toTokens(step.to),
    text('.'),
  ],

  build(step, kit) {
    const box = kit.partBox();
    if (!box)
      return kit.fail([], say('There is nothing to scale yet: put this step after one that adds material.'));
    const by = factorsOf(step.to, (along) => box.max[axisIndex[along]] - box.min[axisIndex[along]]);
    const least = Math.min(...by);
    if (least < 1 - 1e-9) {
      kit.note(
        say('Everything becomes {percent} % of its size, thin walls and holes as well.', {
          percent: formatNumber(Math.round(1000 * least) / 10),
        }),
      );
    }
    // About the middle of its foot, so that it stays where it stands.
    const foot: Vec3 = [(box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2, box.min[2]];
    const back: Vec3 = [-foot[0], -foot[1], -foot[2]];
    return { operations: [], whole: combined(shift(foot), stretch(by), shift(back)) };
  },
};

function factorsOf(of: Resolved<To>, longMm: (along: 'x' | 'y' | 'z') => number): Vec3 {
  if (of.by === 'each') return [of.xPercent / 100, of.yPercent / 100, of.zPercent / 100];
  const all = of.by === 'percent' ? of.percent / 100 : of.mm / longMm(of.axis);
  return [all, all, all];
}

function toTokens(of: To): Token[] {
  const bounds = { min: 1, max: 1000, nudge: 5 };
  switch (of.by) {
    case 'percent':
      return [share(['to', 'percent'], of.percent, 'size after scaling', bounds), text('of its size')];
    case 'length':
      return [
        millimetres(['to', 'mm'], of.mm, 'length after scaling', { nudge: 1 }),
        oneOf(['to', 'axis'], 'which length', of.axis, { x: 'wide', y: 'deep', z: 'high' }),
      ];
    case 'each':
      return [
        share(['to', 'xPercent'], of.xPercent, 'size left to right', bounds),
        text('left to right,'),
        share(['to', 'yPercent'], of.yPercent, 'size front to back', bounds),
        text('front to back and'),
        share(['to', 'zPercent'], of.zPercent, 'size upwards', bounds),
        text('upwards'),
      ];
  }
}
