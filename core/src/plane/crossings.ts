import type { Outline, Point, Region } from './region.ts';

/**
 * The first point where an outline of a region crosses itself or another, or undefined. Neighbouring edges share a
 * point and count as crossing only where they lie on each other.
 *
 * Edges are swept from left to right, so that only those whose spans overlap are compared.
 */
export function crossingOf(region: Region): Point | undefined {
  const edges = region
    .flatMap((outline, o) => outline.map((from, i) => edgeOf(outline, o, i, from)))
    .sort((a, b) => a.low - b.low);
  let open: Edge[] = [];
  for (const edge of edges) {
    open = open.filter(({ high }) => high >= edge.low);
    for (const other of open) {
      if (areNeighbours(edge, other)) {
        if (foldsBack(edge, other)) return edge.from;
        continue;
      }
      const at = meetingPoint(edge, other);
      if (at) return at;
    }
    open.push(edge);
  }
  return undefined;
}

interface Edge {
  readonly outline: number;
  readonly index: number;
  readonly count: number;
  readonly from: Point;
  readonly to: Point;
  readonly low: number;
  readonly high: number;
}

function edgeOf(outline: Outline, o: number, index: number, from: Point): Edge {
  const to = outline[(index + 1) % outline.length];
  const [low, high] = [Math.min(from[0], to[0]), Math.max(from[0], to[0])];
  return { outline: o, index, count: outline.length, from, to, low, high };
}

function areNeighbours(a: Edge, b: Edge): boolean {
  if (a.outline !== b.outline) return false;
  const apart = Math.abs(a.index - b.index);
  return apart === 1 || apart === a.count - 1;
}

/** Whether two neighbouring edges lie on each other. */
function foldsBack(a: Edge, b: Edge): boolean {
  const [first, second] = (a.index + 1) % a.count === b.index ? [a, b] : [b, a];
  const [ux, uy] = [first.to[0] - first.from[0], first.to[1] - first.from[1]];
  const [vx, vy] = [second.to[0] - second.from[0], second.to[1] - second.from[1]];
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
