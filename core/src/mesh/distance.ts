import type { EdgeRun, StraightEdge } from './edgeRun.ts';
import type { Vec3 } from './solidMesh.ts';
import { cross, dot, lengthOf, minus, plus, times, unit } from './vectors.ts';

/** A point on a surface, with the outward direction of the face that it lies on. */
export interface SurfacePoint {
  readonly point: Vec3;
  readonly normal: Vec3;
}

/** What is measured from or to: a place on a surface, or a whole edge that was pressed there. */
export interface MeasuredEnd extends SurfacePoint {
  readonly edge?: EdgeRun;
}

/** How far apart two places or edges of a surface are. */
export interface Distance {
  /** Where the way between them begins and ends: of an arc its middle, of a straight edge what lies nearest. */
  readonly from: Vec3;
  readonly to: Vec3;
  /** In a straight line, mm. */
  readonly straightMm: number;
  /** Along x, y and z, mm, without signs. */
  readonly alongMm: Vec3;
  /** Between the planes of the two faces, mm, where they are parallel. */
  readonly facesMm?: number;
  /** The angle between the two faces as one would measure it inside the material, where they are not. */
  readonly angleDeg?: number;
  /** The angle between two straight edges: where they meet, that between them there, and else the smaller one; 0 where they are parallel. */
  readonly edgesDeg?: number;
}

/** What differs by less is meant to be parallel: half a degree. */
const PARALLEL_COSINE = Math.cos(Math.PI / 360);

/**
 * Measures between two places or edges of a surface.
 *
 * @example
 * distanceBetween({ point: [0, 0, 0], normal: [0, 0, -1] }, { point: [3, 4, 12], normal: [0, 0, 1] })
 * // { from: [0, 0, 0], to: [3, 4, 12], straightMm: 13, alongMm: [3, 4, 12], facesMm: 12 }
 */
export function distanceBetween(a: MeasuredEnd, b: MeasuredEnd): Distance {
  const [from, to] = nearestEnds(a, b);
  const way = minus(to, from);
  const straight = {
    from,
    to,
    straightMm: lengthOf(way),
    alongMm: way.map(Math.abs) as unknown as Vec3,
  };
  if (a.edge?.kind === 'straight' && b.edge?.kind === 'straight')
    return { ...straight, edgesDeg: degreesBetween(a.edge, b.edge) };
  if (a.edge || b.edge) return straight;
  const cosine = dot(a.normal, b.normal);
  if (Math.abs(cosine) >= PARALLEL_COSINE) return { ...straight, facesMm: Math.abs(dot(way, a.normal)) };
  return { ...straight, angleDeg: 180 - (Math.acos(cosine) * 180) / Math.PI };
}

/** Where the way between two things begins and ends. */
function nearestEnds(a: MeasuredEnd, b: MeasuredEnd): [Vec3, Vec3] {
  const [first, second] = [a.edge, b.edge];
  const [from, to] = [measuredPlace(a), measuredPlace(b)];
  if (first?.kind === 'straight' && second?.kind === 'straight') return nearestOfLines(first, second);
  if (first?.kind === 'straight') return [onLine(first, to), to];
  if (second?.kind === 'straight') return [from, onLine(second, from)];
  return [from, to];
}

/** The place that stands for what was pressed: of a round edge, its middle. */
export function measuredPlace({ point, edge }: MeasuredEnd): Vec3 {
  return edge?.kind === 'round' ? edge.middle : point;
}

/** The place on the line along an edge that is nearest to another place. */
function onLine({ from, to }: StraightEdge, place: Vec3): Vec3 {
  const along = unit(minus(to, from));
  return plus(from, times(along, dot(minus(place, from), along)));
}

/** Where two lines along edges come nearest to each other; of parallel ones, beside the middle of the first. */
function nearestOfLines(a: StraightEdge, b: StraightEdge): [Vec3, Vec3] {
  const [u, v] = [unit(minus(a.to, a.from)), unit(minus(b.to, b.from))];
  const middle = times(plus(a.from, a.to), 0.5);
  if (Math.abs(dot(u, v)) >= PARALLEL_COSINE) return [middle, onLine(b, middle)];
  const across = cross(u, v);
  const towards = cross(minus(b.from, a.from), v);
  const there = plus(a.from, times(u, dot(towards, across) / dot(across, across)));
  return [there, onLine(b, there)];
}

function degreesBetween(a: StraightEdge, b: StraightEdge): number {
  const isSame = (p: Vec3, q: Vec3) => lengthOf(minus(p, q)) < 1e-6;
  const ways = [
    [a.from, a.to],
    [a.to, a.from],
  ].flatMap(([corner, end]) =>
    [
      [b.from, b.to],
      [b.to, b.from],
    ]
      .filter(([other]) => isSame(corner, other))
      .map(([, beyond]) => [minus(end, corner), minus(beyond, corner)] as const),
  );
  const [meeting] = ways;
  const cosine = meeting
    ? dot(unit(meeting[0]), unit(meeting[1]))
    : Math.abs(dot(unit(minus(a.to, a.from)), unit(minus(b.to, b.from))));
  if (!meeting && cosine >= PARALLEL_COSINE) return 0;
  return (Math.acos(Math.min(1, Math.max(-1, cosine))) * 180) / Math.PI;
}
