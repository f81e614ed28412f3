import simplify from 'simplify-js';
import type { Point } from '@kelbrin/core/recipe';

/** A drawn stroke with only as many points as it needs to stray nowhere further than `withinMm` from what was drawn. */
export function simplified(stroke: readonly Point[], withinMm: number): Point[] {
  const points = simplify(
    stroke.map(([x, y]) => ({ x, y })),
    withinMm,
    true,
  ).map(({ x, y }): Point => [x, y]);
  // A stroke that ends where it began is closed; the end would stand there twice.
  const [first, last] = [points[0], points[points.length - 1]];
  const isClosed = points.length > 3 && Math.hypot(first[0] - last[0], first[1] - last[1]) < 4 * withinMm;
  return isClosed ? points.slice(0, -1) : points;
}
