import type { Outline } from '../../plane/index.ts';

/** A bend of less than this hides no seam. */
const CORNER_DEG = 30;

/**
 * The outline, beginning where the seam shows least: in an inward corner, or else on an outward one, and in the one
 * furthest back where there are several or none, so that the seams of layers lie above each other.
 *
 * The outline has material to its left.
 */
export function fromSeam(outline: Outline): Outline {
  let best = 0;
  let bestHidden = -1;
  outline.forEach((point, i) => {
    const turn = turnDegAt(outline, i);
    const hidden = turn < -CORNER_DEG ? 2 : turn > CORNER_DEG ? 1 : 0;
    if (hidden > bestHidden || (hidden === bestHidden && isFurtherBack(point, outline[best]))) {
      [best, bestHidden] = [i, hidden];
    }
  });
  return [...outline.slice(best), ...outline.slice(0, best)];
}

/** How far the outline turns left at a corner, −180 to 180°. */
function turnDegAt(outline: Outline, i: number): number {
  const [px, py] = outline[(i + outline.length - 1) % outline.length];
  const [x, y] = outline[i];
  const [nx, ny] = outline[(i + 1) % outline.length];
  const [ax, ay, bx, by] = [x - px, y - py, nx - x, ny - y];
  return (Math.atan2(ax * by - ay * bx, ax * bx + ay * by) * 180) / Math.PI;
}

/** Corners that lie equally far back but for rounding are told apart from left to right. */
function isFurtherBack([ax, ay]: readonly [number, number], [bx, by]: readonly [number, number]): boolean {
  return Math.abs(ay - by) > 0.05 ? ay > by : ax < bx;
}
