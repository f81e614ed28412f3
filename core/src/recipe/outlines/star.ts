import * as z from 'zod';
import type { Point } from '../../plane/index.ts';
import { count, length } from '../amount.ts';
import { many, millimetres, text } from '../sentence.ts';
import type { OutlineKind } from './outlineKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({
  shape: z.literal('star'),
  points: count(3, 60),
  outerMm: length(),
  innerMm: length(),
});

export const star: OutlineKind<z.infer<typeof schema>> = {
  shape: 'star',
  get label() {
    return say('a star');
  },
  get words() {
    return say('points christmas');
  },
  create: (across) => ({ shape: 'star', points: 5, outerMm: across, innerMm: across / 2 }),
  tokens: ({ points, outerMm, innerMm }, path) => [
    text('of'),
    many([...path, 'points'], points, 'number of points', { min: 3, max: 60 }),
    text('points,'),
    millimetres([...path, 'outerMm'], outerMm, 'diameter over the points', { sign: 'Ø', nudge: 0.5 }),
    text('outside,'),
    millimetres([...path, 'innerMm'], innerMm, 'diameter between the points', { sign: 'Ø', nudge: 0.5 }),
    text('inside'),
  ],
  sizes: () => [{ path: ['outerMm'], axis: 'x' }],
  region({ points, outerMm, innerMm }, kit) {
    if (innerMm >= outerMm)
      kit.fail(['innerMm'], say('Make the inside smaller than the outside, or the outside larger.'));
    return [
      Array.from({ length: 2 * points }, (_, i): Point => {
        const radius = (i % 2 === 0 ? outerMm : innerMm) / 2;
        const angle = Math.PI / 2 + (Math.PI * i) / points;
        return [radius * Math.cos(angle), radius * Math.sin(angle)];
      }),
    ];
  },
};
