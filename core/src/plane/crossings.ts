import type { Outline, Point, Region } from './region.ts';

/**
 * The first point where an outline of a region crosses itself or another, or undefined. Neighbouring edges share a
 * point and count as crossing only where they lie on each other.
 */
export function crossingOf(region: Region): Point | undefined {
  let crossing: Point | undefined;
  sweep(region, (edge, other) => {
    if (areNeighbours(edge, other)) crossing = foldsBack(edge, other) ? edge.from : undefined;
    else crossing = meetingPoint(edge, other);
    return crossing !== undefined;
  });
  return crossing;
}

/**
 * Whether edges of a region cross more often than so many times, or lie beside each other so often that counting would
 * take too long. The arithmetic of regions takes time and memory for each crossing.
 */
export function isIntricate(region: Region, most: { crossings: number; compared: number }): boolean {
  let [crossings, compared] = [0, 0];
  return sweep(region, (edge, other) => {
    compared++;
    if (edge.lowY <= other.highY && other.lowY <= edge.highY && meetingPoint(edge, other)) crossings++;
    return crossings > most.crossings || compared > most.compared;
  });
}

/**
 * Sweeps from left to right and visits all pairs of edges whose spans in x overlap, until `visit` says that it is enough; whether it did.
 */
function sweep(region: Region, visit: (edge: Edge, other: Edge) => boolean): boolean {
  const edges = region
    .flatMap((outline, o) => outline.map((from, i) => edgeOf(outline, o, i, from)))
    .sort((a, b) => a.low - b.low);
  const open: Edge[] = [];
  for (const edge of edges) {
    let kept = 0;
    for (const other of open) {
      if (other.high < edge.low) continue;
      open[kept++] = other;
      if (visit(edge, other)) return true;
    }
    open.length = kept;
    open.push(edge);
  }
  return false;
}

interface Edge {
  readonly outline: number;
  readonly index: number;
  readonly count: number;
  readonly from: Point;
  readonly to: Point;
  readonly low: number;
  readonly high: number;
  readonly lowY: number;
  readonly highY: number;
}

function edgeOf(outline: Outline, o: number, index: number, from: Point): Edge {
  const to = outline[(index + 1) % outline.length];
  const [low, high] = [Math.min(from[0], to[0]), Math.max(from[0], to[0])];
  const [lowY, highY] = [Math.min(from[1], to[1]), Math.max(from[1], to[1])];
  return { outline: o, index, count: outline.length, from, to, low, high, lowY, highY };
}

function areNeighbours(a: Edge, b: Edge): boolean {
  if (a.outline !== b.outline) return false;
  const apart = Math.abs(a.index - b.index);
  return apart === 1 || apart === a.count - 1;
}

/** Whether two neighbouring edges lie on each other. */
function foldsBack(a: Edge, b: Edge): boolean {
  const [ux, uy] = [a.to[0] - a.from[0], a.to[1] - a.from[1]];
  const [vx, vy] = [b.to[0] - b.from[0], b.to[1] - b.from[1]];
  const isParallel = Math.abs(ux * vy - uy * vx) <= 1e-9 * Math.hypot(ux, uy) * Math.hypot(vx, vy);
  return isParallel && ux * vx + uy * vy < 0;
}

function meetingPoint(a: Edge, b: Edge): Point | undefined {
  const [ux, uy] = [a.to[0] - a.from[0], a.to[1] - a.from[1]];
  const [vx, vy] = [b.to[0] - b.from[0], b.to[1] - b.from[1]];
  const cross = ux * vy - uy * vx;
  if (Math.abs(cross) < 1e-12) return undefined;
  const [wx, wy] = [b.from[0] - a.from[0], b.from[1] - a.from[1]];
  const s = (wx * vy - wy * vx) / cross;
  const t = (wx * uy - wy * ux) / cross;
  const isInside = (share: number) => share >= -1e-9 && share <= 1 + 1e-9;
  return isInside(s) && isInside(t) ? [a.from[0] + s * ux, a.from[1] + s * uy] : undefined;
}
