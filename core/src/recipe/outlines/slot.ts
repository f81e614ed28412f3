import * as z from 'zod';
import { length } from '../amount.ts';
import { millimetres, text } from '../sentence.ts';
import type { OutlineKind } from './outlineKind.ts';
import { roundedRectangleOutline } from './roundedRectangle.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({ shape: z.literal('slot'), lengthMm: length(), widthMm: length() });

export const slot: OutlineKind<z.infer<typeof schema>> = {
  shape: 'slot',
  get label() {
    return say('a slot');
  },
  get words() {
    return say('long hole pill oblong');
  },
  create: (across) => ({ shape: 'slot', lengthMm: across, widthMm: across / 4 }),
  tokens: ({ lengthMm, widthMm }, path) => [
    millimetres([...path, 'lengthMm'], lengthMm, 'length', { nudge: 1 }),
    text('long,'),
    millimetres([...path, 'widthMm'], widthMm, 'width', { nudge: 0.5 }),
    text('wide'),
  ],
  sizes: () => [
    { path: ['lengthMm'], axis: 'x' },
    { path: ['widthMm'], axis: 'y' },
  ],
  region({ lengthMm, widthMm }, kit) {
    if (lengthMm < widthMm) kit.fail(['lengthMm'], say('A slot is at least as long as it is wide.'));
    return [roundedRectangleOutline(lengthMm, widthMm, widthMm / 2)];
  },
};
