import { isInside, type Point, type Region } from '../plane/index.ts';
import type { Path } from './toolpath.ts';

type Place = readonly [number, number];

/** Travels up to this long go straight: they ooze too little to matter. */
const STRAIGHT_UP_TO_MM = 2;
/** A way around that is so many times as long as the straight one takes longer than drawing the filament back. */
const LONGEST_DETOUR = 4;

/**
 * The paths of a layer, each with the way to its beginning. Where the straight way would cross open air it goes around
 * over what is printed, if that is not far; otherwise the filament is drawn back for it.
 *
 * `within` is the area over which the nozzle may go, a little smaller than the layer's section.
 */
export function withWays(paths: readonly Path[], within: Region): Path[] {
  return paths.map((path, i) => {
    if (i === 0) return path;
    const before = paths[i - 1];
    const from = before.closed ? before.points[0] : before.points[before.points.length - 1];
    const to = path.points[0];
    const straight = Math.hypot(to[0] - from[0], to[1] - from[1]);
    if (straight <= STRAIGHT_UP_TO_MM) return path;
    const way = wayWithin(from, to, within);
    return way && lengthOf([from, ...way, to]) <= LONGEST_DETOUR * straight ? { ...path, way } : path;
  });
}

/**
 * The corners of a short way from one place to another that stays within a region: none if the straight line does.
 * Where that leaves the region it follows the outline that it crossed, the shorter way around, and is then pulled tight.
 * Undefined between pieces that do not hang together.
 */
export function wayWithin(from: Place, to: Place, region: Region): Place[] | undefined {
  const crossings = crossingsOf(from, to, region);
  const corners: Place[] = [];
  for (let i = 0; i < crossings.length; i++) {
    const { outline, edge } = crossings[i];
    let last = i;
    crossings.forEach((other, j) => {
      if (j > i && other.outline === outline) last = j;
    });
    if (last === i) return undefined;
    corners.push(...along(region[outline], edge, crossings[last].edge));
    i = last;
  }
  return corners.length === 0 ? [] : pulledTight([from, ...corners, to], region).slice(1, -1);
}

interface Crossing {
  readonly share: number;
  readonly outline: number;
  readonly edge: number;
}

/** Where the straight way crosses outlines, in the order in which it does. */
function crossingsOf(from: Place, to: Place, region: Region): Crossing[] {
  const crossings: Crossing[] = [];
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  region.forEach((points, outline) => {
    let [ax, ay] = points[points.length - 1];
    points.forEach(([bx, by], i) => {
      const [ex, ey] = [bx - ax, by - ay];
      const turn = dx * ey - dy * ex;
      if (turn !== 0) {
        const [gx, gy] = [ax - from[0], ay - from[1]];
        const share = (gx * ey - gy * ex) / turn;
        const part = (gx * dy - gy * dx) / turn;
        if (share > 0 && share < 1 && part >= 0 && part < 1) {
          crossings.push({ share, outline, edge: (i + points.length - 1) % points.length });
        }
      }
      [ax, ay] = [bx, by];
    });
  });
  return crossings.sort((a, b) => a.share - b.share);
}

/** The corners of an outline between two of its edges, the shorter way around. An edge is counted by its first corner. */
function along(points: readonly Point[], fromEdge: number, toEdge: number): Place[] {
  const forwards: Place[] = [];
  for (let i = fromEdge; i !== toEdge;) {
    i = (i + 1) % points.length;
    forwards.push(points[i]);
  }
  const backwards: Place[] = [];
  for (let i = fromEdge; i !== toEdge; i = (i + points.length - 1) % points.length) backwards.push(points[i]);
  return lengthOf(forwards) <= lengthOf(backwards) ? forwards : backwards;
}

/** A way without the corners that it can do without. */
function pulledTight(way: readonly Place[], region: Region): Place[] {
  const tight: Place[] = [way[0]];
  for (let at = 0; at < way.length - 1;) {
    let next = way.length - 1;
    while (next > at + 1 && !isWithin(way[at], way[next], region)) next--;
    tight.push(way[next]);
    at = next;
  }
  return tight;
}

function isWithin(from: Place, to: Place, region: Region): boolean {
  if (crossingsOf(from, to, region).length > 0) return false;
  const middle: Point = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
  return region.filter((outline) => isInside(middle, outline)).length % 2 === 1;
}

function lengthOf(way: readonly Place[]): number {
  return way.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - way[i][0], y - way[i][1]), 0);
}
