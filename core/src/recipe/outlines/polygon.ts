import * as z from 'zod';
import type { Point } from '../../plane/index.ts';
import { count, length } from '../amount.ts';
import { many, millimetres, oneOf, text } from '../sentence.ts';
import type { OutlineKind } from './outlineKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({
  shape: z.literal('polygon'),
  sides: count(3, 60),
  /** Whether the size is taken between opposite sides, as a spanner grips, or between opposite corners. */
  across: z.enum(['flats', 'corners']),
  acrossMm: length(),
});

export const polygon: OutlineKind<z.infer<typeof schema>> = {
  shape: 'polygon',
  get label() {
    return say('a regular polygon');
  },
  get words() {
    return say('hexagon triangle octagon pentagon nut');
  },
  create: (across) => ({ shape: 'polygon', sides: 6, across: 'flats', acrossMm: across }),
  tokens: ({ sides, across, acrossMm }, path) => [
    text('of'),
    many([...path, 'sides'], sides, 'number of sides', { min: 3, max: 60 }),
    text('sides,'),
    millimetres([...path, 'acrossMm'], acrossMm, say('size across {across}', { across }), { nudge: 0.5 }),
    oneOf([...path, 'across'], 'how it is measured', across, {
      flats: 'across flats',
      corners: 'across corners',
    }),
  ],
  sizes: () => [{ path: ['acrossMm'], axis: 'x' }],
  region({ sides, across, acrossMm }) {
    // The flats touch a circle whose radius is that of the corners times cos(π / n).
    const radius = across === 'corners' ? acrossMm / 2 : acrossMm / 2 / Math.cos(Math.PI / sides);
    return [
      Array.from({ length: sides }, (_, i): Point => {
        // One flat lies at the front.
        const angle = (2 * Math.PI * (i + 0.5)) / sides - Math.PI / 2;
        return [radius * Math.cos(angle), radius * Math.sin(angle)];
      }),
    ];
  },
};
