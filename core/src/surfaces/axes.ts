import type { Vec3 } from '../mesh/index.ts';
import { circleRun, circleThrough, middleOf, NEAR_CIRCLE_MM } from './circles.ts';
import type { FacetEdge, Facets } from './facets.ts';
import { aroundAxis } from './surface.ts';
import { isSmooth, LEAST_FACETS, MOST_RADIUS_MM, ON_CIRCLE_MM } from './tolerances.ts';
import { cross, dot, lengthOf, minus, plus, times, unit } from '../mesh/vectors.ts';

/** A line that something may be turned about. */
export interface Axis {
  readonly origin: Vec3;
  readonly way: Vec3;
}

/** So many neighbours are tried as the beginning of a cylinder, those with the longest edges first. */
const MOST_PAIRS = 600;
/** So many circles are tried as rims, those with the most corners first. */
const MOST_RIMS = 150;

/**
 * The axes of the circles that edges of large flat facets follow: the rims of holes, discs, rounded corners.
 *
 * @param taken facets that are of no interest any more, with their edges
 */
export function axesOfRims({ points, facets, edgesOf }: Facets, taken: ReadonlySet<number>): Axis[] {
  const axes: (Axis & { readonly corners: number })[] = [];
  facets.forEach(({ normal }, f) => {
    if (taken.has(f)) return;
    const rims = edgesOf[f].filter(({ facets: [, other] }) => !taken.has(other));
    const nextOf = new Map(rims.map(({ from, to }) => [from, to]));
    if (nextOf.size < LEAST_FACETS) return;
    const seen = new Set<number>();
    for (const start of nextOf.keys()) {
      if (seen.has(start)) continue;
      const loop: number[] = [];
      for (let at: number | undefined = start; at !== undefined && !seen.has(at); at = nextOf.get(at)) {
        seen.add(at);
        loop.push(at);
      }
      for (let i = 0; i < loop.length; i++) {
        const run = circleRun(loop.length, (k) => points[loop[(i + k) % loop.length]]);
        if (!run) continue;
        i += run.count - 2;
        const axis = { origin: run.middle, way: normal, corners: run.count };
        if (!axes.some((other) => isSameAxis(other, axis))) axes.push(axis);
      }
    }
  });
  return axes.sort((a, b) => b.corners - a.corners).slice(0, MOST_RIMS);
}

function isSameAxis(a: Axis, b: Axis): boolean {
  return (
    Math.abs(dot(a.way, b.way)) > 1 - 1e-7 && aroundAxis(a.origin, a.way, b.origin).away < 5 * ON_CIRCLE_MM
  );
}

/** The axes of cylinders that two neighbouring facets would be of, for those that end in no rim. */
export function* axesOfPairs(
  all: Facets,
  taken: ReadonlySet<number>,
): Generator<{ axis: Axis; facets: [number, number] }> {
  const { points, facets, edgesOf } = all;
  const longOf = ({ from, to }: FacetEdge) => lengthOf(minus(points[to], points[from]));
  const shared = edgesOf
    .flat()
    .filter(({ turn, facets: [own, other] }) => isSmooth(turn) && own < other)
    .sort((a, b) => longOf(b) - longOf(a));
  let tried = 0;
  for (const edge of shared) {
    const [own, other] = edge.facets;
    if (taken.has(own) || taken.has(other)) continue;
    if (tried++ > MOST_PAIRS) return;
    const [m, n] = [facets[own].normal, facets[other].normal];
    const way = unit(cross(m, n));
    const corner = points[edge.from];
    // The chord of each facet from the edge that they share.
    const [p, q] = [own, other].map((facet) => {
      const ends = edgesOf[facet].flatMap(({ from, to }) => [points[from], points[to]]);
      return ends.reduce((far, point) =>
        aroundAxis(corner, way, point).away > aroundAxis(corner, way, far).away ? point : far,
      );
    });
    const flat = (point: Vec3) => plus(point, way, -dot(minus(point, corner), way));
    const circle = circleThrough(flat(p), corner, flat(q));
    if (!circle || circle.radiusMm > MOST_RADIUS_MM) continue;
    const axis = axisAround(all, taken, own, { origin: circle.middle, way }, circle.radiusMm);
    if (axis) yield { axis, facets: [own, other] };
  }
}

/** The axis of a cylinder by all facets that are roughly of it; undefined where they are too few. */
function axisAround(
  all: Facets,
  taken: ReadonlySet<number>,
  seed: number,
  { origin, way }: Axis,
  radiusMm: number,
): Axis | undefined {
  const { points, facets, edgesOf } = all;
  const members = [seed];
  const seen = new Set(members);
  const corners: Vec3[] = [];
  for (const facet of members) {
    for (const {
      from,
      to,
      facets: [, next],
      turn,
    } of edgesOf[facet]) {
      const isOn = [from, to].every(
        (corner) => Math.abs(aroundAxis(origin, way, points[corner]).away - radiusMm) < NEAR_CIRCLE_MM,
      );
      if (!isSmooth(turn) || !isOn || Math.abs(dot(facets[next].normal, way)) > 5e-3) continue;
      corners.push(points[from], points[to]);
      if (!seen.has(next)) members.push(next);
      seen.add(next);
    }
  }
  if (
    members.length < LEAST_FACETS ||
    isColumn(all, members, (facet) => seen.has(facet) || taken.has(facet), way)
  )
    return undefined;
  const first = facets[seed].normal;
  const crosses = members.map((facet) => cross(first, facets[facet].normal));
  const widest = crosses.reduce((a, b) => (lengthOf(b) > lengthOf(a) ? b : a));
  const better = unit(widest);
  const level = corners.map((corner) => plus(corner, better, -dot(minus(corner, origin), better)));
  return { origin: middleOf(level, { middle: origin, axis: better }), way: better };
}

/** Whether most facets go on at both ends as smoothly as they bend: they are of something that is bent both ways. */
function isColumn(
  { points, facets, edgesOf }: Facets,
  members: readonly number[],
  isKnown: (facet: number) => boolean,
  way: Vec3,
): boolean {
  /** At which of its ends a facet goes on, by the sign along the axis. */
  const endsOf = (facet: number): number[] =>
    edgesOf[facet].flatMap(({ from, to, turn, facets: [, next] }) => {
      const [a, b] = [points[from], points[to]];
      if (!isSmooth(turn) || isKnown(next) || Math.abs(dot(unit(minus(b, a)), way)) >= 0.9) return [];
      return Math.sign(dot(minus(times(plus(a, b), 0.5), facets[facet].middle), way));
    });
  const both = members.filter((facet) => {
    const ends = endsOf(facet);
    return ends.includes(1) && ends.includes(-1);
  });
  return both.length > members.length / 2;
}
