import type { Point, Region } from './region.ts';
import { shareNearest } from './toEdge.ts';

/** The place on the outlines of a region that is nearest to a point; the point itself if there are none. */
export function nearestOnOutlines([x, y]: Readonly<Point>, region: Region): Point {
  let nearest: Point = [x, y];
  let leastMm = Infinity;
  for (const outline of region) {
    let [ax, ay] = outline[outline.length - 1];
    for (const [bx, by] of outline) {
      const share = shareNearest(x, y, ax, ay, bx, by);
      const at: Point = [ax + share * (bx - ax), ay + share * (by - ay)];
      const mm = Math.hypot(at[0] - x, at[1] - y);
      if (mm < leastMm) [nearest, leastMm] = [at, mm];
      [ax, ay] = [bx, by];
    }
  }
  return nearest;
}
