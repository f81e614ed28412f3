import * as z from 'zod';
import { fineArc } from '../../plane/index.ts';
import { length } from '../amount.ts';
import { millimetres, text } from '../sentence.ts';
import type { OutlineKind } from './outlineKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({ shape: z.literal('drop'), diameterMm: length(), lengthMm: length() });

/** A circle whose two tangents meet in a point above it. */
export const drop: OutlineKind<z.infer<typeof schema>> = {
  shape: 'drop',
  get label() {
    return say('a drop');
  },
  get words() {
    return say('tear leaf water pear');
  },
  create: (across) => ({ shape: 'drop', diameterMm: across, lengthMm: across * 1.5 }),
  tokens: ({ diameterMm, lengthMm }, path) => [
    millimetres([...path, 'diameterMm'], diameterMm, 'diameter', { sign: 'Ø', nudge: 0.5 }),
    text(','),
    millimetres([...path, 'lengthMm'], lengthMm, 'length to the point', { nudge: 0.5 }),
    text('long'),
  ],
  sizes: () => [
    { path: ['diameterMm'], axis: 'x' },
    { path: ['lengthMm'], axis: 'y' },
  ],
  region({ diameterMm, lengthMm }, kit) {
    if (lengthMm <= diameterMm) kit.fail(['lengthMm'], say('A drop is longer than its circle is wide.'));
    const radius = diameterMm / 2;
    const tip = lengthMm - radius;
    // The tangents touch where the radius and the line to the tip enclose acos(r / d).
    const open = Math.acos(radius / tip);
    return [[[0, tip], ...fineArc([0, 0], radius, Math.PI / 2 + open, 2 * Math.PI - 2 * open)]];
  },
};
