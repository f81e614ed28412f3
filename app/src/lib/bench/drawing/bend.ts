import type { Point } from '@kelbrin/core/recipe';

/** A bend of less than this is a straight edge, in per cent. */
const STRAIGHT_PERCENT = 4;

/**
 * How much an edge bends that runs from one point to another past a third: its height over the chord in per cent of half
 * the chord, in steps of 2; positive to the right of the way, 0 for what is nearly straight.
 */
export function bendThrough([ax, ay]: Point, [bx, by]: Point, [x, y]: Point): number {
  const chord = Math.hypot(bx - ax, by - ay);
  const height = ((x - ax) * (by - ay) - (y - ay) * (bx - ax)) / chord;
  const bend = Math.round(Math.max(-100, Math.min(100, (200 * height) / chord)) / 2) * 2;
  return Math.abs(bend) < STRAIGHT_PERCENT ? 0 : bend;
}

/** The middle of an edge, by its points along the way. */
export function middleOf(points: readonly Point[]): Point {
  if (points.length > 2) return points[Math.floor(points.length / 2)];
  const [[ax, ay], [bx, by]] = points;
  return [(ax + bx) / 2, (ay + by) / 2];
}
