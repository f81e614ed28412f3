import * as z from 'zod';
import { fineArc, withoutRepeats } from '../../plane/index.ts';
import { length } from '../amount.ts';
import { millimetres, text } from '../sentence.ts';
import type { OutlineKind } from './outlineKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({ shape: z.literal('heart'), widthMm: length() });

/** A square on its corner with a half circle on each of its upper sides. */
export const heart: OutlineKind<z.infer<typeof schema>> = {
  shape: 'heart',
  get label() {
    return say('a heart');
  },
  get words() {
    return say('love');
  },
  create: (across) => ({ shape: 'heart', widthMm: across }),
  tokens: ({ widthMm }, path) => [
    millimetres([...path, 'widthMm'], widthMm, 'width', { nudge: 1 }),
    text('wide'),
  ],
  sizes: () => [{ path: ['widthMm'], axis: 'x' }],
  region({ widthMm }) {
    // A square of side s gives a heart of width s (1 + 1 / √2).
    const side = widthMm / (1 + Math.SQRT1_2);
    const half = side / (2 * Math.SQRT2);
    const right = fineArc([half, half], side / 2, -Math.PI / 4, Math.PI);
    const left = fineArc([-half, half], side / 2, Math.PI / 4, Math.PI);
    return [withoutRepeats([...right, ...left, [0, -2 * half]])];
  },
};
