import polylabel from 'polylabel';
import { isInside } from './hull.ts';
import { signedAreaOf, type Outline, type Point, type Region } from './region.ts';

/** To this the diameter is worked out, mm. */
const EXACT_MM = 0.01;

/**
 * The diameter of the largest circle that fits into the piece of a region in which a point lies, mm: how thick that piece
 * is where it is thickest. Nothing where the point lies in none.
 */
export function largestCircleAround(point: Point, region: Region): number {
  const holding = region.filter((outline) => isInside(point, outline));
  const outer = holding.filter((outline) => signedAreaOf(outline) > 0).sort(byArea)[0];
  if (!outer || holding.length % 2 === 0) return 0;
  const openings = region.filter(
    (outline) => signedAreaOf(outline) < 0 && isInside(outline[0], outer) && !isInside(point, outline),
  );
  return 2 * polylabel([outer, ...openings], EXACT_MM / 2).distance;
}

/** The largest circle in an outline, to a hundredth of a millimetre. */
export function largestCircleIn(outline: Outline): { at: Point; diameterMm: number } {
  const found = polylabel([outline], EXACT_MM / 2);
  return { at: [found[0], found[1]], diameterMm: 2 * found.distance };
}

const byArea = (a: Region[number], b: Region[number]) => signedAreaOf(a) - signedAreaOf(b);
