import * as z from 'zod';
import { centred, extentOf, scaled, type Point } from '../../plane/index.ts';
import { length } from '../amount.ts';
import { millimetres, text } from '../sentence.ts';
import type { OutlineKind } from './outlineKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({
  shape: z.literal('svg'),
  /** The file it was read from, for people. */
  name: z.string().max(80),
  widthMm: length(),
  /** Closed outlines in the file's own measure, y upwards: x, y, x, y, …. Overlaps are joined; outlines that turn the other way are openings. */
  outlines: z.array(z.array(z.number()).min(6).max(20_000)).min(1).max(400),
});

export type SvgOutline = z.infer<typeof schema>;

/** Outlines read from an SVG file, made as wide as the sentence says. */
export const svg: OutlineKind<SvgOutline> = {
  shape: 'svg',
  get label() {
    return say('a drawing from a file');
  },
  get words() {
    return say('picture drawing file logo leaf');
  },
  create: (across) => ({
    shape: 'svg',
    name: 'leaf',
    widthMm: across,
    outlines: [LEAF],
  }),
  tokens: ({ name, widthMm }, path) => [
    { type: 'drawing', path, label: say('Choose an SVG file'), kind: 'svg' },
    text(`(${name}),`),
    millimetres([...path, 'widthMm'], widthMm, 'width', { nudge: 1 }),
    text('wide'),
  ],
  sizes: () => [{ path: ['widthMm'], axis: 'x' }],
  region({ widthMm, outlines }, kit) {
    const read = outlines.map((flat) =>
      Array.from({ length: Math.floor(flat.length / 2) }, (_, i): Point => [flat[2 * i], flat[2 * i + 1]]),
    );
    const drawn = kit.joined([read]);
    if (drawn.length === 0) kit.fail(['outlines'], say('The drawing encloses nothing: fill a shape in it.'));
    const { x } = extentOf(drawn);
    return scaled(centred(drawn), widthMm / Math.max(1e-6, x.high - x.low));
  },
};

/** A plain leaf, until a file is chosen: two arcs that meet in points. */
const LEAF = [...arcOver(1), ...arcOver(-1)];

function arcOver(side: 1 | -1): number[] {
  return Array.from({ length: 16 }, (_, i) => {
    const t = (Math.PI * i) / 16;
    return [side * Math.cos(t) * 10, side * Math.sin(t) * 4];
  }).flat();
}
