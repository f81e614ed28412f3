import * as z from 'zod';
import { circlePoints, fineArc } from '../../plane/index.ts';
import { angle, length } from '../amount.ts';
import { degrees, millimetres, text } from '../sentence.ts';
import type { OutlineKind } from './outlineKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({
  shape: z.literal('sector'),
  diameterMm: length(),
  deg: angle(1, 360),
});

export const sector: OutlineKind<z.infer<typeof schema>> = {
  shape: 'sector',
  get label() {
    return say('a sector');
  },
  get words() {
    return say('slice pie cake fan');
  },
  create: (across) => ({ shape: 'sector', diameterMm: across, deg: 90 }),
  tokens: ({ diameterMm, deg }, path) => [
    text('of'),
    degrees([...path, 'deg'], deg, 'angle of the sector', { min: 1, max: 360 }),
    text('of a circle'),
    millimetres([...path, 'diameterMm'], diameterMm, 'diameter', { sign: 'Ø', nudge: 0.5 }),
  ],
  sizes: () => [{ path: ['diameterMm'], axis: 'x' }],
  region({ diameterMm, deg }) {
    if (deg >= 360) return [circlePoints(diameterMm / 2)];
    const sweep = (deg * Math.PI) / 180;
    // It opens upwards, the same to both sides.
    return [[[0, 0], ...fineArc([0, 0], diameterMm / 2, Math.PI / 2 - sweep / 2, sweep)]];
  },
};
