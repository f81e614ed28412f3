import * as z from 'zod';
import { circlePoints } from '../../plane/index.ts';
import { length } from '../amount.ts';
import { millimetres, text } from '../sentence.ts';
import type { OutlineKind } from './outlineKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({ shape: z.literal('ring'), outerMm: length(), innerMm: length() });

export const ring: OutlineKind<z.infer<typeof schema>> = {
  shape: 'ring',
  get label() {
    return say('a ring');
  },
  get words() {
    return say('washer tube hoop circle');
  },
  create: (across) => ({ shape: 'ring', outerMm: across, innerMm: across * 0.7 }),
  tokens: ({ outerMm, innerMm }, path) => [
    millimetres([...path, 'outerMm'], outerMm, 'outer diameter', { sign: 'Ø', nudge: 0.5 }),
    text('outside,'),
    millimetres([...path, 'innerMm'], innerMm, 'inner diameter', { sign: 'Ø', nudge: 0.5 }),
    text('inside'),
  ],
  sizes: () => [{ path: ['outerMm'], axis: 'x' }],
  region({ outerMm, innerMm }, kit) {
    if (innerMm >= outerMm)
      kit.fail(['innerMm'], say('Make the inside smaller than the outside, or the outside larger.'));
    return [circlePoints(outerMm / 2), circlePoints(innerMm / 2).reverse()];
  },
};
