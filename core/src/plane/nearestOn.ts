import type { EdgeGrid } from './edgeGrid.ts';
import type { Point } from './region.ts';

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
    const [ex, ey] = [ends[4 * found[i] + 2] - ax, ends[4 * found[i] + 3] - ay];
    const share = Math.max(0, Math.min(1, ((x - ax) * ex + (y - ay) * ey) / (ex * ex + ey * ey || 1)));
    const [nx, ny] = [ax + share * ex, ay + share * ey];
    const far = Math.hypot(nx - x, ny - y);
    if (far < mm) [mm, nearest] = [far, [nx, ny]];
  }
  return { mm, nearest };
}
