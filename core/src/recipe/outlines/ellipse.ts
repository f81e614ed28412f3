import * as z from 'zod';
import { segmentsFor, type Point } from '../../plane/index.ts';
import { length } from '../amount.ts';
import { millimetres, text } from '../sentence.ts';
import type { OutlineKind } from './outlineKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({ shape: z.literal('ellipse'), widthMm: length(), depthMm: length() });

export const ellipse: OutlineKind<z.infer<typeof schema>> = {
  shape: 'ellipse',
  get label() {
    return say('an ellipse');
  },
  get words() {
    return say('oval egg');
  },
  create: (across) => ({ shape: 'ellipse', widthMm: across, depthMm: across * 0.6 }),
  tokens: ({ widthMm, depthMm }, path) => [
    millimetres([...path, 'widthMm'], widthMm, 'width', { nudge: 1 }),
    text('×'),
    millimetres([...path, 'depthMm'], depthMm, 'depth', { nudge: 1 }),
  ],
  sizes: () => [
    { path: ['widthMm'], axis: 'x' },
    { path: ['depthMm'], axis: 'y' },
  ],
  region({ widthMm, depthMm }) {
    const segments = segmentsFor(Math.max(widthMm, depthMm) / 2);
    return [
      Array.from({ length: segments }, (_, i): Point => {
        const angle = (2 * Math.PI * i) / segments;
        return [(widthMm / 2) * Math.cos(angle), (depthMm / 2) * Math.sin(angle)];
      }),
    ];
  },
};
