import type { EdgeGrid } from './edgeGrid.ts';
import type { Point } from './region.ts';
import { shareNearest } from './toEdge.ts';

/**
 * The nearest place on the edges that a grid knows near a point, and how far that is, mm; the point itself, without end
 * away, where none is near.
 */
export function nearestOn(grid: EdgeGrid, [x, y]: Point): { mm: number; nearest: Point } {
  let mm = Infinity;
  let nearest: Point = [x, y];
  const { ends, found } = grid;
  const count = grid.near(x, y);
  for (let i = 0; i < count; i++) {
    const [ax, ay] = [ends[4 * found[i]], ends[4 * found[i] + 1]];
    const [bx, by] = [ends[4 * found[i] + 2], ends[4 * found[i] + 3]];
    const share = shareNearest(x, y, ax, ay, bx, by);
    const [nx, ny] = [ax + share * (bx - ax), ay + share * (by - ay)];
    const far = Math.hypot(nx - x, ny - y);
    if (far < mm) [mm, nearest] = [far, [nx, ny]];
  }
  return { mm, nearest };
}
