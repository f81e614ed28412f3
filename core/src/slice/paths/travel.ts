import { OutlineRuns, type Point, type Region } from '../../plane/index.ts';
import { endOf, type Path } from './toolpath.ts';

type Place = readonly [number, number];

/** Travels up to this long go straight: they ooze too little to matter. */
const STRAIGHT_UP_TO_MM = 2;
/** A way around that is so many times as long as the straight one takes longer than drawing the filament back. */
const LONGEST_DETOUR = 4;
/** A way that begins or ends on an outline does not cross it there: so near to its end, as a share of it. */
const AT_END = 1e-7;

/**
 * The paths of a layer, each with the way to its beginning. Where the straight way would cross open air it goes around
 * over what is printed, if that is not far; otherwise the filament is drawn back for it.
 *
 * `ground` is the area over which the nozzle may go, a little smaller than the layer's section.
 */
export function withWays(paths: readonly Path[], ground: Ground): Path[] {
  return paths.map((path, i) => (i === 0 ? path : withWayFrom(endOf(paths[i - 1]), path, ground)));
}

/** A path with the way to its beginning from where the nozzle is, as that of the layer below to the first of the next. */
export function withWayFrom(from: Place, path: Path, ground: Ground): Path {
  const to = path.points[0];
  const straight = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (straight <= STRAIGHT_UP_TO_MM) return path;
  const way = wayWithin(from, to, ground);
  return way && lengthOf([from, ...way, to]) <= LONGEST_DETOUR * straight ? { ...path, way } : path;
}

/**
 * The corners of a short way from one place to another that stays within a region: none if the straight line does.
 * Where that leaves the region it follows the outline that it crossed, the shorter way around, and is then pulled tight.
 * Undefined where no such way is found, as between pieces that do not hang together, or if an end lies outside.
 */
export function wayWithin(from: Place, to: Place, ground: Ground): Place[] | undefined {
  if (isWithin(from, to, ground)) return [];
  const crossings = crossingsOf(from, to, ground);
  const way: Stop[] = [{ at: from }];
  for (let i = 0; i < crossings.length; i++) {
    const { outline, edge } = crossings[i];
    let last = i;
    crossings.forEach((other, j) => {
      if (j > i && other.outline === outline) last = j;
    });
    if (last === i) return undefined;
    for (const at of along(ground[outline].points, edge, crossings[last].edge)) way.push({ at, outline });
    i = last;
  }
  return pulledTight([...way, { at: to }], ground)?.slice(1, -1);
}

/** A corner of a way, and the outline that it lies on. */
interface Stop {
  readonly at: Place;
  readonly outline?: number;
}

/** The outlines of a region, ready to be asked for the edges near a way. */
export type Ground = readonly OutlineRuns[];

/** A region to find ways over. */
export function groundOf(region: Region): Ground {
  return region.map((points) => new OutlineRuns(points));
}

interface Crossing {
  readonly share: number;
  readonly outline: number;
  readonly edge: number;
}

/** Where the straight way crosses outlines, in the order in which it does. */
function crossingsOf(from: Place, to: Place, ground: Ground): Crossing[] {
  const crossings: Crossing[] = [];
  for (const [outline, runs] of ground.entries()) {
    runs.crossings(from, to, (share, edge) => {
      if (share > AT_END && share < 1 - AT_END) crossings.push({ share, outline, edge });
    });
  }
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

/** A way without the corners that it can do without; undefined if it leaves the region between two that it needs. */
function pulledTight(way: readonly Stop[], ground: Ground): Place[] | undefined {
  const tight: Place[] = [way[0].at];
  for (let i = 0; i < way.length - 1;) {
    const { at, outline } = way[i];
    let next = way.length - 1;
    while (next > i + 1 && !isWithin(at, way[next].at, ground)) next--;
    // From corner to corner an outline leads along its edge, which is not quite inside.
    const isAlong = next === i + 1 && outline !== undefined && way[next].outline === outline;
    if (next === i + 1 && !isAlong && !isWithin(at, way[next].at, ground)) return undefined;
    tight.push(way[next].at);
    i = next;
  }
  return tight;
}

function isWithin(from: Place, to: Place, ground: Ground): boolean {
  if (crossingsOf(from, to, ground).length > 0) return false;
  const middle = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2] as const;
  return ground.filter((outline) => outline.holds(middle)).length % 2 === 1;
}

function lengthOf(way: readonly Place[]): number {
  return way.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - way[i][0], y - way[i][1]), 0);
}
