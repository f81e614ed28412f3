import type { Vec3 } from '../mesh/index.ts';
import { surfacesOf } from './arcs.ts';
import type { Axis } from './axes.ts';
import { middleOf } from './circles.ts';
import type { Facet, Facets } from './facets.ts';
import type { Band, Point2, Profile, Recognised } from './band.ts';
import { aroundAxis, type Surface } from './surface.ts';
import {
  CHORD_MM,
  isSmooth,
  LEAST_FACETS,
  LEAST_SPAN,
  NEAR_TURN_MM,
  ON_CIRCLE_MM,
  UPRIGHT,
} from './tolerances.ts';
import { across, cross, dot, lengthOf, minus, plus } from '../mesh/vectors.ts';

/** The surfaces that facets stand for about one axis, begun from some facets. */
export function surfacesAbout(
  all: Facets,
  axis: Axis,
  taken: ReadonlySet<number>,
  seeds: readonly number[],
): Recognised[] {
  const { points, edgesOf } = all;
  const seen = seenFrom(all, axis);
  const bands: Band[] = [];
  const bandOf = new Map<number, Band>();
  const tried = new Set<number>();
  for (const seed of seeds) {
    if (taken.has(seed) || tried.has(seed) || !facesAxis(all.facets[seed], axis)) continue;
    const line = seen.facet(seed);
    if (line.out < 1e-3) continue;
    // Corners lie on the true circle, no farther from the chord of another facet than chords are deep.
    const isBesideChord = (facet: number) =>
      edgesOf[facet].every(({ from }) => {
        const { away, along } = seen.corner(from);
        return line.out * away + line.side * (line.along * along - line.offset) < CHORD_MM;
      });
    if (!isBesideChord(seed)) continue;
    const members = [seed];
    tried.add(seed);
    for (const facet of members) {
      for (const {
        facets: [, next],
        turn,
      } of edgesOf[facet]) {
        if (!isSmooth(turn) || taken.has(next) || tried.has(next)) continue;
        if (!isSameLine(seen.facet(next), line) || !isBesideChord(next)) continue;
        tried.add(next);
        members.push(next);
      }
    }
    if (members.length < LEAST_FACETS || spanOf(members.map((facet) => seen.facet(facet).angle)) < LEAST_SPAN)
      continue;
    const placesOf = (corners: readonly number[]) =>
      corners.map((corner): Point2 => {
        const { away, along } = seen.corner(corner);
        return [away, along];
      });
    // Where two facets of one turn meet, their corners lie on it; those of another curve are beside it.
    const within = new Set(members);
    const inner = members.flatMap((facet) =>
      edgesOf[facet].filter(({ facets: [, next] }) => within.has(next)).map(({ from }) => from),
    );
    const innerEnds = endsOf(placesOf(inner), line);
    if (!innerEnds) continue;
    const isOnLine = (place: Point2) => besideLine(place, innerEnds) < NEAR_TURN_MM;
    if (!placesOf(inner).every(isOnLine)) continue;
    // Other corners may lie on a facet's chord; where they do not, they tell best where the band ends.
    const outer = endsOf(placesOf(members.flatMap((facet) => edgesOf[facet].map(({ from }) => from))), line);
    const ends = outer?.every(isOnLine) ? outer : innerEnds;
    const isUpright = Math.abs(line.along) < UPRIGHT;
    const cylinder = isUpright
      ? cylinderThrough(
          inner.map((corner) => points[corner]),
          axis,
        )
      : undefined;
    const band: Band = { facets: members, line, ends, cylinder };
    bands.push(band);
    members.forEach((facet) => bandOf.set(facet, band));
  }
  return [...surfacesOf(bands, bandOf, all, axis)];
}

/** Whether somewhere on a facet its normal meets an axis, as everywhere on what is turned about it. */
function facesAxis({ normal, middle, reachMm }: Facet, { origin, way }: Axis): boolean {
  // By the common perpendicular of the two lines, of parallel ones at any distance. Asked of every facet for every axis,
  // so it is written out.
  const x = way[1] * normal[2] - way[2] * normal[1];
  const y = way[2] * normal[0] - way[0] * normal[2];
  const z = way[0] * normal[1] - way[1] * normal[0];
  const apart = x * (middle[0] - origin[0]) + y * (middle[1] - origin[1]) + z * (middle[2] - origin[2]);
  return Math.abs(apart) <= Math.sqrt(x * x + y * y + z * z) * reachMm + ON_CIRCLE_MM;
}

/** Facets and corners as they are seen from an axis, each worked out once. */
function seenFrom({ points, facets, edgesOf }: Facets, { origin, way }: Axis) {
  const right = across(way);
  const back = cross(way, right);
  const profiles = new Map<number, Profile>();
  const corners = new Map<number, { away: number; along: number }>();
  return {
    corner(vertex: number): { away: number; along: number } {
      let corner = corners.get(vertex);
      if (!corner) corners.set(vertex, (corner = aroundAxis(origin, way, points[vertex])));
      return corner;
    },
    facet(facet: number): Profile {
      let profile = profiles.get(facet);
      if (!profile) {
        const { normal, offset } = facets[facet];
        const [x, y] = [dot(normal, right), dot(normal, back)];
        // Of all corners, since one of them may lie on the axis.
        const at = edgesOf[facet].reduce<Vec3>(
          (sum, { from }) => plus(sum, minus(points[from], origin)),
          [0, 0, 0],
        );
        profile = {
          out: Math.hypot(x, y),
          along: dot(normal, way),
          offset: offset - dot(normal, origin),
          angle: Math.atan2(y, x),
          side: x * dot(at, right) + y * dot(at, back) < 0 ? -1 : 1,
        };
        profiles.set(facet, profile);
      }
      return profile;
    },
  };
}

/** Normals of narrow facets are known less well. */
function isSameLine(a: Profile, b: Profile): boolean {
  return (
    a.side === b.side &&
    Math.abs(a.out - b.out) < 2e-3 &&
    Math.abs(a.along - b.along) < 2e-3 &&
    Math.abs(a.offset - b.offset) < CHORD_MM
  );
}

/** How much of a turn some angles take up, radians. */
function spanOf(angles: readonly number[]): number {
  const sorted = [...angles].sort((a, b) => a - b);
  const gaps = sorted.map((angle, i) => (sorted[i + 1] ?? sorted[0] + 2 * Math.PI) - angle);
  return 2 * Math.PI - Math.max(...gaps);
}

/**
 * The ends of a band in the half plane. Corners on its two circles have the same distance from the axis for the same
 * place along it; where it was cut, corners lie on the chords, nearer to the axis.
 */
function endsOf(corners: readonly Point2[], { out, along, side }: Profile): [Point2, Point2] | undefined {
  // Along the line of the band.
  const by = ([away, at]: Point2) => -along * away + side * out * at;
  const sorted = [...corners].sort((a, b) => by(a) - by(b));
  const [low, high] = [by(sorted[0]), by(sorted[sorted.length - 1])];
  if (high - low < 1e-6) return undefined;
  const outermost = (near: number) =>
    sorted
      .filter((corner) => Math.abs(by(corner) - near) < 1e-3 + 0.02 * Math.min(1, high - low))
      .reduce((a, b) => (b[0] > a[0] ? b : a));
  return [outermost(low), outermost(high)];
}

/** How far a point lies beside the line through two others. */
function besideLine([away, along]: Point2, [[a, b], [c, d]]: readonly [Point2, Point2]): number {
  return Math.abs((c - a) * (along - b) - (d - b) * (away - a)) / Math.hypot(c - a, d - b);
}

/** The cylinder that corners lie on, its axis as good as known; undefined where some are beside it. */
function cylinderThrough(corners: readonly Vec3[], { origin, way }: Axis): Surface | undefined {
  const level = corners.map((corner) => plus(corner, way, -dot(minus(corner, origin), way)));
  const middle = middleOf(level, { middle: origin, axis: way });
  const distances = level.map((corner) => lengthOf(minus(corner, middle)));
  const radiusMm = distances.reduce((sum, mm) => sum + mm, 0) / distances.length;
  return distances.every((mm) => Math.abs(mm - radiusMm) < ON_CIRCLE_MM)
    ? { kind: 'cylinder', origin: middle, axis: way, radiusMm }
    : undefined;
}
