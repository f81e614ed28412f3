import { extentOf, isInside, toEdgeMm, type Point, type Region } from '../plane/index.ts';
import { coveredBy, type Plate, type Placed } from './placement.ts';

/** What is wrong with the places of parts on a plate. */
export interface Conflicts {
  /** Parts that come too near to each other. */
  readonly pairs: readonly (readonly [string, string])[];
  /** Parts that reach over the edge of what the printer can use. */
  readonly outside: readonly string[];
}

/** Parts laid automatically lie exactly as far apart as they must; rounding shall not make that too near. */
const TINY_MM = 0.02;

/** Finds parts that are nearer to each other than `gapMm`, and parts that do not lie on the plate. */
export function conflictsOf(placed: readonly Placed[], plate: Plate, gapMm: number): Conflicts {
  const parts = placed.map((each) => {
    const region = coveredBy(each.footprint, each);
    return { id: each.id, region, box: extentOf(region) };
  });
  const pairs: [string, string][] = [];
  for (const [i, a] of parts.entries()) {
    for (const b of parts.slice(i + 1)) {
      const apart = Math.max(
        Math.max(a.box.x.low, b.box.x.low) - Math.min(a.box.x.high, b.box.x.high),
        Math.max(a.box.y.low, b.box.y.low) - Math.min(a.box.y.high, b.box.y.high),
      );
      if (apart < gapMm && distanceBetween(a.region, b.region) < gapMm - TINY_MM) pairs.push([a.id, b.id]);
    }
  }
  const isOutside = ({ box: { x, y } }: (typeof parts)[number]) =>
    Math.min(x.low, y.low, plate.widthMm - x.high, plate.depthMm - y.high) < plate.edgeMm - TINY_MM;
  return { pairs, outside: parts.filter(isOutside).map(({ id }) => id) };
}

/** The distance between two regions in mm; 0 where they overlap. */
export function distanceBetween(a: Region, b: Region): number {
  const overlaps = (inner: Region, outer: Region) =>
    inner.some(([first]) => outer.some((outline) => isInside(first, outline)));
  if (overlaps(a, b) || overlaps(b, a)) return 0;
  let least = Infinity;
  for (const one of edgesOf(a)) {
    for (const other of edgesOf(b)) {
      if (doCross(one, other)) return 0;
      // Every corner begins an edge, so that their ends need no look.
      least = Math.min(
        least,
        toEdgeMm(...one[0], ...other[0], ...other[1]),
        toEdgeMm(...other[0], ...one[0], ...one[1]),
      );
    }
  }
  return least;
}

type Edge = readonly [Point, Point];

function edgesOf(region: Region): Edge[] {
  return region.flatMap((outline) =>
    outline.map((from, i): Edge => [from, outline[(i + 1) % outline.length]]),
  );
}

function doCross([a, b]: Edge, [c, d]: Edge): boolean {
  const side = (p: Point, q: Point, r: Point) =>
    (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]);
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
}
