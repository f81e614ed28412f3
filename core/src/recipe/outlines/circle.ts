import * as z from 'zod';
import { circlePoints } from '../../plane/index.ts';
import { length } from '../amount.ts';
import { millimetres } from '../sentence.ts';
import type { OutlineKind } from './outlineKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({ shape: z.literal('circle'), diameterMm: length() });

export const circle: OutlineKind<z.infer<typeof schema>> = {
  shape: 'circle',
  get label() {
    return say('a circle');
  },
  get words() {
    return say('round disc disk coin token wheel');
  },
  create: (across) => ({ shape: 'circle', diameterMm: across }),
  tokens: ({ diameterMm }, path) => [
    millimetres([...path, 'diameterMm'], diameterMm, 'diameter', { sign: 'Ø', nudge: 0.5 }),
  ],
  sizes: () => [{ path: ['diameterMm'], axis: 'x' }],
  region: ({ diameterMm }) => [circlePoints(diameterMm / 2)],
};
