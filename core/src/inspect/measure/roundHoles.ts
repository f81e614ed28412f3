import type { Vec3 } from '../../mesh/index.ts';
import { AlongAxis, squareTo, wrapOf } from './aroundAxis.ts';
import { fitCircle } from '../../plane/index.ts';
import { smallestAxis } from './fit.ts';
import type { Hole } from './hole.ts';
import { connectedIn } from './regions.ts';
import { roughHoles } from './roughHoles.ts';
import type { Subject } from './subject.ts';

/** Facets of one round wall bend by less than this from one to the next: a circle of at least eight sides. */
const LARGEST_BEND = Math.cos((50 * Math.PI) / 180);
/** Bends below this count as level one by one, whichever way they go, since rounding decides it. */
const LEVEL_BEND = Math.cos((1.5 * Math.PI) / 180);
/** Level bends that add up to this, in radians times the length of their edges, are a hollow of very many sides. */
const HOLLOW_RAD_MM = 1;
/** A corner between facets that turn by less than this lies within a side, and not on the circle, cosine. */
const WITHIN_SIDE = Math.cos((0.2 * Math.PI) / 180);
/** How far a wall's normals may stray from square to its axis: coarsely when the axis is first guessed, then finely. */
const SQUARE_COARSE = Math.sin((6 * Math.PI) / 180);
const SQUARE_FINE = Math.sin((1.5 * Math.PI) / 180);
/** A wall goes around by this many of 360 degrees where nothing else is said; an open clip is not a hole. */
const WRAP_DEG = 340;
/** How far corners of the wall may lie off its circle, as a share of the radius, and at least this much in mm. */
const ROUND_SHARE = 0.015;
const ROUND_MM = 0.02;
/** The sides of a circle of eight come no nearer to its middle than this share of the radius, but for rounding. */
const LEAST_SAG = 0.98 * Math.cos(Math.PI / 8);

/**
 * Finds every round hole of a solid from its surface alone, whatever program made it.
 *
 * Walls are gathered from facets that bend inwards gently; the axis is the direction to which the facets' normals are
 * squarest; the corners of the facets must lie on one circle around it and go all the way round. Cones, balls, slots
 * and rounded pockets fall out by these rules.
 *
 * @param wrapDeg how far around its axis a wall has to go to count
 */
export function findRoundHoles(subject: Subject, wrapDeg = WRAP_DEG): Hole[] {
  const holes: Hole[] = [];
  for (const hollow of hollows(subject)) {
    const guess = smallestAxis(subject.faces, hollow);
    const coarse = squareTo(subject.faces.normals, hollow, guess, SQUARE_COARSE);
    if (coarse.length < 8) continue;
    const axis = smallestAxis(subject.faces, coarse);
    for (const wall of connectedIn(
      subject.topology,
      squareTo(subject.faces.normals, coarse, axis, SQUARE_FINE),
    )) {
      const hole = wall.length >= 8 ? roundHole(subject, wall, axis, wrapDeg) : undefined;
      if (hole) holes.push(hole);
    }
  }
  if (subject.about.isForeign)
    holes.push(...roughHoles(subject, new Set(holes.flatMap(({ triangles }) => triangles)), wrapDeg));
  return holes;
}

/** Connected sets of facets joined by gentle inward bends, or by none. */
function hollows({ mesh, faces, topology }: Subject): number[][] {
  const { positions: p, triangles: t } = mesh;
  const { normals: n, areas } = faces;
  const count = areas.length;

  /** How far the far corner of the neighbour at an edge rises over a facet's plane: above nothing where it is hollow. */
  const riseAt = (face: number, k: number, other: number): number => {
    const from = 3 * t[3 * face + k];
    const tip = 3 * t[3 * other + tipCorner(t, face, k, other)];
    return (
      n[3 * face] * (p[tip] - p[from]) +
      n[3 * face + 1] * (p[tip + 1] - p[from + 1]) +
      n[3 * face + 2] * (p[tip + 2] - p[from + 2])
    );
  };

  /** The bend at an edge in radians times its length in mm, above nothing where it is hollow; each edge is told by one facet. */
  const bendRadMm = (face: number, k: number): number => {
    const other = topology.neighbours[3 * face + k];
    if (other < face || areas[face] === 0 || areas[other] === 0) return 0;
    const [a, b] = [3 * t[3 * face + k], 3 * t[3 * face + ((k + 1) % 3)]];
    const length = Math.hypot(p[a] - p[b], p[a + 1] - p[b + 1], p[a + 2] - p[b + 2]);
    // The rise over the height of the neighbour's triangle is the sine of the bend.
    return (riseAt(face, k, other) * length ** 2) / (2 * areas[other]);
  };

  /** 1 where an edge bends inwards, 0 where it is level, −1 where it bends outwards or too sharply to belong. */
  const bend = (face: number, k: number): number => {
    const other = topology.neighbours[3 * face + k];
    if (other < 0) return -1;
    if (areas[face] === 0 || areas[other] === 0) return 0;
    const a = 3 * face;
    const b = 3 * other;
    const cosine = n[a] * n[b] + n[a + 1] * n[b + 1] + n[a + 2] * n[b + 2];
    if (cosine > LEVEL_BEND) return 0;
    if (cosine < LARGEST_BEND) return -1;
    return riseAt(face, k, other) > 0 ? 1 : -1;
  };

  const seen = new Uint8Array(count);
  const found: number[][] = [];
  for (let seed = 0; seed < count; seed++) {
    if (seen[seed]) continue;
    seen[seed] = 1;
    const set = [seed];
    let isHollow = false;
    let levelRadMm = 0;
    for (let i = 0; i < set.length; i++) {
      for (let k = 0; k < 3; k++) {
        const way = bend(set[i], k);
        if (way < 0) continue;
        if (way > 0) isHollow = true;
        else levelRadMm += bendRadMm(set[i], k);
        const other = topology.neighbours[3 * set[i] + k];
        if (seen[other]) continue;
        seen[other] = 1;
        set.push(other);
      }
    }
    if ((isHollow || levelRadMm > HOLLOW_RAD_MM) && set.length >= 8) found.push(set);
  }
  return found;
}

/** The corner of `other` that is not on its common edge with `face`. */
function tipCorner(t: Uint32Array, face: number, k: number, other: number): number {
  const a = t[3 * face + k];
  const b = t[3 * face + ((k + 1) % 3)];
  for (let corner = 0; corner < 3; corner++) {
    const vertex = t[3 * other + corner];
    if (vertex !== a && vertex !== b) return corner;
  }
  return 0;
}

/** The hole that a wall of facets makes around an axis, if they do make one. */
function roundHole(subject: Subject, wall: number[], axis: Vec3, leastWrapDeg: number): Hole | undefined {
  const { positions: p, triangles: t } = subject.mesh;
  const along = new AlongAxis(axis);

  const corners = new Set<number>();
  for (const f of wall) for (let k = 0; k < 3; k++) corners.add(t[3 * f + k]);
  const vertices = [...corners];
  const flat = vertices.map((vertex) => along.flat(p, vertex));
  const isBetweenSides = cornersBetweenSides(subject, wall);
  const between = flat.filter((_, i) => isBetweenSides.has(vertices[i]));
  // Of very many sides, none turns enough to tell where it ends, and all corners are on the circle.
  const onCircle = between.length >= 8 ? between : flat;
  const circle = fitCircle(onCircle);
  if (!circle) return undefined;
  const { middle, radius } = circle;
  const slack = Math.max(ROUND_MM, ROUND_SHARE * radius);
  const isOff = ([x, y]: [number, number]) =>
    Math.abs(Math.hypot(x - middle[0], y - middle[1]) - radius) > slack;
  if (radius <= slack || onCircle.some(isOff)) return undefined;

  // Long sides through the middle, as those of a narrow slot, have their corners on a circle as well.
  const placeOf = new Map(vertices.map((vertex, i) => [vertex, flat[i]]));
  const isRoundAt = (face: number, k: number) => {
    const [a, b] = [placeOf.get(t[3 * face + k])!, placeOf.get(t[3 * face + ((k + 1) % 3)])!];
    return Math.hypot((a[0] + b[0]) / 2 - middle[0], (a[1] + b[1]) / 2 - middle[1]) > LEAST_SAG * radius;
  };
  if (!wall.every((face) => [0, 1, 2].every((k) => isRoundAt(face, k)))) return undefined;

  const angleOf = new Map(
    vertices.map((vertex, i) => [vertex, Math.atan2(flat[i][1] - middle[1], flat[i][0] - middle[0])]),
  );
  const wrap = wrapOf(wall.map((f) => [0, 1, 2].map((k) => angleOf.get(t[3 * f + k])!)));
  if (wrap < leastWrapDeg) return undefined;

  let [low, high] = [Infinity, -Infinity];
  for (const vertex of vertices) {
    const height = along.height(p, vertex);
    low = Math.min(low, height);
    high = Math.max(high, height);
  }
  if (high - low < 1e-3 || isBandOfBall(subject, wall, radius, high - low)) return undefined;

  const middleOf = along.place(middle, (low + high) / 2);
  const through = along.isOpen(subject, middleOf, radius, (high - low) / 2 + radius);
  return {
    shape: 'round',
    diameterMm: 2 * radius,
    depthMm: high - low,
    axis,
    middle: middleOf,
    through,
    triangles: wall,
  };
}

/** The corners at which sides of a wall meet. Where a side is cut up into several triangles, it has corners of its own as well. */
function cornersBetweenSides(
  { mesh: { triangles: t }, faces: { normals: n } }: Subject,
  wall: readonly number[],
): Set<number> {
  const first = new Map<number, number>();
  const between = new Set<number>();
  for (const face of wall) {
    for (let k = 0; k < 3; k++) {
      const vertex = t[3 * face + k];
      const other = first.get(vertex);
      if (other === undefined) first.set(vertex, face);
      else if (
        n[3 * face] * n[3 * other] + n[3 * face + 1] * n[3 * other + 1] + n[3 * face + 2] * n[3 * other + 2] <
        WITHIN_SIDE
      )
        between.add(vertex);
    }
  }
  return between;
}

/**
 * A ball's or ring's hollow also has a band of facets square to an axis, but the surface goes on smoothly at both of
 * the band's rims, and the band is about as wide as the bend to the next one says.
 */
function isBandOfBall(
  { faces, topology }: Subject,
  wall: readonly number[],
  radius: number,
  depth: number,
): boolean {
  const inside = new Set(wall);
  const { normals: n } = faces;
  let rims = 0;
  let bends = 0;
  for (const f of wall) {
    for (let k = 0; k < 3; k++) {
      const other = topology.neighbours[3 * f + k];
      if (other < 0 || inside.has(other)) continue;
      const cosine =
        n[3 * f] * n[3 * other] + n[3 * f + 1] * n[3 * other + 1] + n[3 * f + 2] * n[3 * other + 2];
      rims++;
      bends += Math.acos(Math.max(-1, Math.min(1, cosine)));
    }
  }
  const bend = rims > 0 ? bends / rims : Math.PI;
  return bend < Math.PI / 6 && depth <= 2.2 * radius * bend;
}
