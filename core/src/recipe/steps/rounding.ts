import * as z from 'zod';
import type { Region } from '../../plane/index.ts';
import { length, type Resolved } from '../amount.ts';
import type { OutlineKit } from '../outlines/index.ts';
import { clause, millimetres, text, type Token } from '../sentence.ts';
import { say } from '../../words/index.ts';

/** How round the corners of an outline are made; 0 leaves them as they are. */
export const rounding = z.strictObject({ outerMm: length(0, 100), innerMm: length(0, 100) });
type Rounding = z.infer<typeof rounding>;

/** ", outer corners rounded 1 mm and inner ones 1 mm". */
export function roundingTokens(of: Rounding | undefined): Token[] {
  if (!of) return [];
  return clause(
    [
      text(', outer corners rounded'),
      millimetres(['rounding', 'outerMm'], of.outerMm, 'radius of outer corners', { min: 0, max: 100 }),
      text('and inner ones'),
      millimetres(['rounding', 'innerMm'], of.innerMm, 'radius of inner corners', { min: 0, max: 100 }),
    ],
    ['rounding'],
    'Leave the corners as drawn',
  );
}

/**
 * The region with its corners rounded: shrunk and grown again, outer corners become round; grown and shrunk again,
 * inner ones do. Ends the evaluation when nothing is left of a region so thin.
 */
export function roundedOff(region: Region, of: Resolved<Rounding> | undefined, kit: OutlineKit): Region {
  if (!of) return region;
  const { outerMm, innerMm } = of;
  let rounded = region;
  if (outerMm > 0) rounded = kit.grown(kit.grown(rounded, -outerMm, 'round'), outerMm, 'round');
  if (rounded.length === 0) {
    return kit.fail(
      ['rounding', 'outerMm'],
      say('The outline is thinner than that, so nothing is left when it is rounded: round by less.'),
    );
  }
  if (innerMm > 0) rounded = kit.grown(kit.grown(rounded, innerMm, 'round'), -innerMm, 'round');
  return rounded;
}
