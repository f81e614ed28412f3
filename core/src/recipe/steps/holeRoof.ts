import * as z from 'zod';
import { circlePoints, fineArc, type Outline } from '../../plane/index.ts';
import { facesSideways, type Facing } from '../facing.ts';
import { clause, text, type Token } from '../sentence.ts';
import { say } from '../../words/index.ts';

/** What closes a lying hole above, so that it prints with nothing in it. */
export const holeRoof = z.literal('sloping');

/** The top is flat for no longer than a short bridge, mm. */
const MOST_FLAT_MM = 8;
/** Slopes are steeper than the printer's limit by so much, so that they do not only just print, °. */
const SPARE_DEG = 3;

/** The clause that says that a hole has a sloping roof, and takes it off again. */
export function roofTokens(roof: 'sloping' | undefined): Token[] {
  return roof ? clause([text(say(', with a sloping roof'))], ['roof'], 'Leave it round above') : [];
}

/**
 * The section of a hole with a roof, y upwards: a circle with two tangents that lean as far as the printer manages, cut
 * off level where the circle ends, or higher where that would be too wide for a bridge.
 *
 * @param radiusMm the radius of the hole
 * @param maxOverhangDeg how far a face may lean from the vertical
 */
export function roofed(radiusMm: number, maxOverhangDeg: number): Outline {
  const lean = (Math.PI / 180) * Math.min(75, Math.max(15, maxOverhangDeg - SPARE_DEG));
  // The tangent that leans by l touches at the angle l, and is (r − y sin l) / cos l away from the middle at y.
  const half = Math.min(MOST_FLAT_MM / 2, (radiusMm * (1 - Math.sin(lean))) / Math.cos(lean));
  const top = (radiusMm - half * Math.cos(lean)) / Math.sin(lean);
  return [[half, top], [-half, top], ...fineArc([0, 0], radiusMm, Math.PI - lean, Math.PI + 2 * lean)];
}

/** The section of a hole: round, but for a lying one with a roof. */
export function holeSection(
  radiusMm: number,
  { roof, facing }: { readonly roof?: 'sloping'; readonly facing: Facing },
  maxOverhangDeg: number,
): Outline {
  return roof && facesSideways(facing) ? roofed(radiusMm, maxOverhangDeg) : circlePoints(radiusMm);
}
