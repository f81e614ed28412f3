import { extentOf, type Outline, type Range } from './region.ts';

/** So many edges share a box; fewer would mostly be asked one by one, and boxes of more are touched by every line. */
const EDGES_IN_RUN = 16;

export interface Box {
  readonly x: Range;
  readonly y: Range;
}

/** Edges of an outline that follow each other, by the numbers of the first and of the one after the last. */
interface Run extends Box {
  readonly first: number;
  readonly end: number;
}

type Place = readonly [number, number];

/**
 * An outline with boxes around its edges, run by run, so that of a long one only those near a line are looked at. An edge
 * is counted by its first corner. The outline must not change afterwards.
 */
export class OutlineRuns {
  readonly points: Outline;
  readonly box: Box;
  readonly #runs: readonly Run[];

  constructor(points: Outline) {
    this.points = points;
    this.box = extentOf([points]);
    const runs: Run[] = [];
    for (let first = 0; first < points.length; first += EDGES_IN_RUN) {
      const end = Math.min(points.length, first + EDGES_IN_RUN);
      const corners = [...points.slice(first, end), points[end % points.length]];
      runs.push({ first, end, ...extentOf([corners]) });
    }
    this.#runs = runs;
  }

  /** Calls for the two ends of each edge that a straight way may touch, and of some others, with the number of the edge. */
  alongWay(from: Place, to: Place, visit: (a: Place, b: Place, edge: number) => void): void {
    if (!mayTouch(from, to, this.box)) return;
    const { points } = this;
    for (const run of this.#runs) {
      if (!mayTouch(from, to, run)) continue;
      for (let edge = run.first; edge < run.end; edge++) {
        visit(points[edge], points[edge + 1 < points.length ? edge + 1 : 0], edge);
      }
    }
  }

  /**
   * Calls for each edge that the straight line through two places crosses, with where on that line, as a share of the way
   * from the first to the second, and the number of the edge. Of two edges that meet in a corner one has it.
   */
  crossings(from: Place, to: Place, call: (share: number, edge: number) => void): void {
    const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
    this.alongWay(from, to, (a, b, edge) => {
      const ex = b[0] - a[0];
      const ey = b[1] - a[1];
      const turn = dx * ey - dy * ex;
      if (turn === 0) return;
      const gx = a[0] - from[0];
      const gy = a[1] - from[1];
      const along = (gx * dy - gy * dx) / turn;
      if (along >= 0 && along < 1) call((gx * ey - gy * ex) / turn, edge);
    });
  }

  /** Whether a place lies inside the outline (even–odd rule). */
  holds([x, y]: Place): boolean {
    const box = this.box;
    if (x < box.x.low || x > box.x.high || y < box.y.low || y > box.y.high) return false;
    let inside = false;
    const { points } = this;
    for (const run of this.#runs) {
      if (y < run.y.low || y > run.y.high || x > run.x.high) continue;
      for (let edge = run.first; edge < run.end; edge++) {
        const a = points[edge];
        const b = points[edge + 1 < points.length ? edge + 1 : 0];
        if (a[1] > y !== b[1] > y && x < a[0] + ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1]))
          inside = !inside;
      }
    }
    return inside;
  }
}

/** Whether a straight way may touch a box: neither beside it, nor with all corners of it on one side. */
function mayTouch([fx, fy]: Place, [tx, ty]: Place, { x, y }: Box): boolean {
  if (Math.max(fx, tx) < x.low || Math.min(fx, tx) > x.high) return false;
  if (Math.max(fy, ty) < y.low || Math.min(fy, ty) > y.high) return false;
  const side = (px: number, py: number) => (tx - fx) * (py - fy) - (ty - fy) * (px - fx);
  const [a, b, c, d] = [side(x.low, y.low), side(x.high, y.low), side(x.low, y.high), side(x.high, y.high)];
  return Math.min(a, b, c, d) <= 0 && Math.max(a, b, c, d) >= 0;
}
