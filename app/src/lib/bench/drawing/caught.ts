import type { Point } from '@kelbrin/core/recipe';
import { drawingTexts as say } from '../../texts/drawing';
import { snapped, type SnapLine } from '../plan/snap';

/** A place on the sheet, and the lines that it was caught by. */
export interface Caught {
  readonly at: Point;
  readonly guides: { readonly x?: SnapLine; readonly y?: SnapLine };
}

/**
 * Catches a place by the axes and by the points of a drawing, each coordinate by itself, or else by the grid. The lines are
 * named by the numbers of their points.
 *
 * @param own The point that is moved and does not catch itself.
 */
export function caught(
  [x, y]: Point,
  points: readonly Point[],
  reachMm: number,
  gridMm: number,
  own?: number,
): Caught {
  const lines = (axis: 0 | 1, zero: string): SnapLine[] => [
    { at: 0, of: zero },
    ...points.flatMap((each, i) => (i === own ? [] : [{ at: each[axis], of: say.pointNumber(i + 1) }])),
  ];
  const across = snapped(x, lines(0, say.middleLine), reachMm, gridMm);
  const up = snapped(y, lines(1, say.baseLine), reachMm, gridMm);
  return { at: [across.at, up.at], guides: { x: across.line, y: up.line } };
}
