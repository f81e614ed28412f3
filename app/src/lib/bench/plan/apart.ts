import type { Handle, Point } from '@kelbrin/core/recipe';

/** Handles are so far from the one that moves a step that a finger meets only one of them, px. */
export const APART_PX = 32;

/**
 * Where the handles of a step are shown, px: those that would lie on the one for moving are drawn away from it, each in
 * its own direction.
 *
 * @param px where each of them is
 */
export function keptApart(handles: readonly Handle[], px: (point: Point) => Point): Point[] {
  const middle = handles.find(({ kind }) => kind === 'move');
  const places = handles.map(({ at }) => px(at));
  if (!middle) return places;
  const [x, y] = px(middle.at);
  return handles.map(({ kind, along }, i) => {
    const [dx, dy] = [places[i][0] - x, places[i][1] - y];
    const awayPx = Math.hypot(dx, dy);
    if (kind === 'move' || awayPx >= APART_PX) return places[i];
    if (awayPx > 1) return [x + (dx / awayPx) * APART_PX, y + (dy / awayPx) * APART_PX];
    return along === 'x' ? [x + APART_PX, y] : [x, y - APART_PX];
  });
}
