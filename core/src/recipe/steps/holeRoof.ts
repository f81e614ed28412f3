import * as z from 'zod';
import { circlePoints, segmentsFor, type Outline, type Point } from '../../plane/index.ts';
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
 * @param segments the edges that a whole circle of it has
 */
export function roofed(radiusMm: number, maxOverhangDeg: number, segments = segmentsFor(radiusMm)): Outline {
  const lean = (Math.PI / 180) * Math.min(75, Math.max(15, maxOverhangDeg - SPARE_DEG));
  // The tangent that leans by l touches at the angle l, and is (r − y sin l) / cos l away from the middle at y.
  const half = Math.min(MOST_FLAT_MM / 2, (radiusMm * (1 - Math.sin(lean))) / Math.cos(lean));
  const top = (radiusMm - half * Math.cos(lean)) / Math.sin(lean);
  const at = (angle: number): Point => [radiusMm * Math.cos(angle), radiusMm * Math.sin(angle)];
  // Its corners are those of a round hole, so that a rim that is cut round it meets it in the same edges.
  const [begin, sweep] = [Math.PI - lean, Math.PI + 2 * lean];
  const step = (2 * Math.PI) / segments;
  const first = Math.ceil(begin / step + 1e-6);
  const round: Point[] = [];
  for (let i = first; i * step < begin + sweep - 1e-6; i++) round.push(at(i * step));
  return [[half, top], [-half, top], at(begin), ...round, at(begin + sweep)];
}

/** The section of a hole: round, but for a lying one with a roof. */
export function holeSection(
  radiusMm: number,
  { roof, facing }: { readonly roof?: 'sloping'; readonly facing: Facing },
  maxOverhangDeg: number,
  segments?: number,
): Outline {
  return roof && facesSideways(facing) ? roofed(radiusMm, maxOverhangDeg, segments) : circlePoints(radiusMm);
}
