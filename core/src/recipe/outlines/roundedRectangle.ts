import * as z from 'zod';
import { fineArc, withoutRepeats, type Outline, type Point } from '../../plane/index.ts';
import { formatNumber, length } from '../amount.ts';
import { millimetres, text } from '../sentence.ts';
import type { OutlineKind } from './outlineKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({
  shape: z.literal('roundedRectangle'),
  widthMm: length(),
  depthMm: length(),
  cornerMm: length(0, 500),
});

export const roundedRectangle: OutlineKind<z.infer<typeof schema>> = {
  shape: 'roundedRectangle',
  get label() {
    return say('a rounded rectangle');
  },
  get words() {
    return say('box square rectangle plate label card');
  },
  create: (across) => ({
    shape: 'roundedRectangle',
    widthMm: across,
    depthMm: across,
    cornerMm: Math.min(2, across / 2),
  }),
  tokens: ({ widthMm, depthMm, cornerMm }, path) => [
    millimetres([...path, 'widthMm'], widthMm, 'width', { nudge: 1 }),
    text('×'),
    millimetres([...path, 'depthMm'], depthMm, 'depth', { nudge: 1 }),
    text(', corners'),
    millimetres([...path, 'cornerMm'], cornerMm, 'corner radius', { min: 0, max: 500, nudge: 0.5 }),
  ],
  sizes: () => [
    { path: ['widthMm'], axis: 'x' },
    { path: ['depthMm'], axis: 'y' },
  ],
  region({ widthMm, depthMm, cornerMm }, kit) {
    const largest = Math.min(widthMm, depthMm) / 2;
    if (cornerMm > largest + 1e-9) {
      kit.fail(
        ['cornerMm'],
        say('The corners can be at most {largest} mm, half of the shorter side.', {
          largest: formatNumber(largest),
        }),
      );
    }
    return [roundedRectangleOutline(widthMm, depthMm, cornerMm)];
  },
};

/** A rectangle about the origin whose four corners are arcs of the given radius; 0 leaves them sharp. */
export function roundedRectangleOutline(widthMm: number, depthMm: number, cornerMm: number): Outline {
  const x = widthMm / 2 - cornerMm;
  const y = depthMm / 2 - cornerMm;
  if (cornerMm === 0) return [[-x, -y], [x, -y], [x, y], [-x, y]]; // oxfmt-ignore
  const middles: Point[] = [[x, y], [-x, y], [-x, -y], [x, -y]]; // oxfmt-ignore
  // Corners of full radius meet in one point, which must stand in the outline once.
  return withoutRepeats(
    middles.flatMap((middle, i) => fineArc(middle, cornerMm, (i * Math.PI) / 2, Math.PI / 2)),
  );
}
