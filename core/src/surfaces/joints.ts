import type { Vec3 } from '../mesh/index.ts';
import { dot, lengthOf, minus, plus } from '../mesh/vectors.ts';
import type { Recognised } from './band.ts';
import { circleThrough } from './circles.ts';
import type { FacetEdge, Facets } from './facets.ts';
import { isSmooth, MOST_RADIUS_MM, ON_CIRCLE_MM } from './tolerances.ts';

/** By the sine: a facet beside a cylinder is of one with the same direction. */
const LEVEL = 1e-4;
/** So few facets may a joint have; an arc is drawn with chords of one length. */
const LEAST_JOINED = 2;
const SAME_CHORD_MM = 1e-3;
/** A tangent neighbour turns by half a chord of each circle, so by no more than a chord of the joint and this, radians. */
const TANGENT = 0.01;

/**
 * The short arcs that lead from one cylinder over to another, as where two circles of an outline meet in a rounded corner:
 * of too few facets to be found alone, known by chords of one length between two tangent neighbours.
 */
export function joints(
  found: readonly Recognised[],
  all: Facets,
  leftOut: ReadonlySet<number>,
): Recognised[] {
  const ownerOf = new Map<number, Recognised>();
  for (const each of found) for (const facet of each.facets) ownerOf.set(facet, each);
  const result: Recognised[] = [];
  for (const { surface, facets } of found) {
    if (surface.kind !== 'cylinder') continue;
    for (const begin of facets.flatMap((facet) => all.edgesOf[facet])) {
      const joint = jointFrom(begin, surface.axis, all, (facet) => ownerOf.get(facet) ?? leftOut.has(facet));
      if (!joint) continue;
      joint.facets.forEach((facet) => ownerOf.set(facet, joint));
      result.push(joint);
    }
  }
  return result;
}

/** The joint that begins behind an edge of a cylinder, as far as nobody owns its facets; undefined where there is none. */
function jointFrom(
  begin: FacetEdge,
  way: Vec3,
  { points, facets, edgesOf }: Facets,
  ownerOf: (facet: number) => Recognised | boolean,
): Recognised | undefined {
  const isUpright = ({ from, to, turn }: FacetEdge) => {
    const run = minus(points[to], points[from]);
    return isSmooth(turn) && Math.abs(dot(run, way)) > (1 - LEVEL) * lengthOf(run);
  };
  if (!isUpright(begin)) return undefined;
  const members: number[] = [];
  const crossed = [begin];
  for (let edge = begin; ;) {
    const [, next] = edge.facets;
    const owner = ownerOf(next);
    if (
      owner === true ||
      (owner && (owner.surface.kind !== 'cylinder' || owner.facets.includes(begin.facets[0])))
    )
      return undefined;
    if (owner) break;
    if (Math.abs(dot(facets[next].normal, way)) > LEVEL || members.includes(next)) return undefined;
    members.push(next);
    const onward: FacetEdge | undefined = edgesOf[next].find(
      (each) => each.facets[1] !== edge.facets[0] && isUpright(each),
    );
    if (!onward) return undefined;
    crossed.push((edge = onward));
  }
  if (members.length < LEAST_JOINED) return undefined;

  const level = (point: Vec3) => plus(point, way, -dot(point, way));
  const corners = crossed.map(({ from }) => level(points[from]));
  const chords = corners.slice(1).map((corner, i) => lengthOf(minus(corner, corners[i])));
  const circle = circleThrough(corners[0], corners[1], corners[corners.length - 1]);
  if (!circle || circle.radiusMm > MOST_RADIUS_MM) return undefined;
  const step = 2 * Math.asin(chords[0] / 2 / circle.radiusMm);
  const isArc =
    chords.every((mm) => Math.abs(mm - chords[0]) < SAME_CHORD_MM) &&
    corners.every(
      (corner) => Math.abs(lengthOf(minus(corner, circle.middle)) - circle.radiusMm) < ON_CIRCLE_MM,
    ) &&
    [crossed[0], crossed[crossed.length - 1]].every(({ turn }) => turn < step + TANGENT);
  if (!isArc) return undefined;
  return {
    surface: { kind: 'cylinder', origin: circle.middle, axis: way, radiusMm: circle.radiusMm },
    facets: members,
  };
}
