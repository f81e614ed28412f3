import type { Vec3 } from '../../mesh/index.ts';
import { AlongAxis, squareTo, wrapOf } from './aroundAxis.ts';
import { fitCircle } from '../../plane/index.ts';
import { smallestAxis } from './fit.ts';
import { connectedIn } from './regions.ts';
import type { Hole } from './hole.ts';
import type { Subject } from './subject.ts';

/** So many times directions are smoothed. */
const ROUNDS = 4;
/** A bend outwards by more than this between smoothed facets is the rim of a hole, and so is any sharp one; sine and cosine. */
const RIM = Math.sin((6 * Math.PI) / 180);
const ROUGH_RIM = Math.sin((25 * Math.PI) / 180);
const SHARP = Math.cos((50 * Math.PI) / 180);
/** Facets that bend by less lie in one plane; the cosine, as exact as directions are. */
const LEVEL = 1 - 1e-14;
/** How far smoothed facets may stray from square to the axis. */
const SQUARE_COARSE = Math.sin((20 * Math.PI) / 180);
const SQUARE_FINE = Math.sin((12 * Math.PI) / 180);
/** How far corners may lie off the circle, as a share of the radius and at least in mm, and how many of them may. */
const ROUND_SHARE = 0.05;
const ROUND_MM = 0.08;
const OFF_SHARE = 0.04;
/** Walls of fewer facets are no rough ones. */
const FEWEST = 40;
/** A hollow that bends on gently at its end is one of a ball or a cone unless it is so many times as deep as wide. */
const GENTLE = Math.cos((35 * Math.PI) / 180);
const DEEP = 0.5;

/**
 * The round holes of a surface whose facets are rough, as those of one that was marched: their directions are smoothed
 * over those around them before walls are gathered and fitted.
 *
 * @param taken facets of holes that were found already
 * @param wrapDeg how far around its axis a wall has to go to count
 */
export function roughHoles(subject: Subject, taken: ReadonlySet<number>, wrapDeg: number): Hole[] {
  const { faces, topology } = subject;
  const normals = smoothed(subject);
  const holes: Hole[] = [];
  for (const hollow of hollows(subject, normals, taken)) {
    const guess = smallestAxis({ ...faces, normals }, hollow);
    const coarse = squareTo(normals, hollow, guess, SQUARE_COARSE);
    if (coarse.length < FEWEST) continue;
    const axis = smallestAxis({ ...faces, normals }, coarse);
    for (const wall of connectedIn(topology, squareTo(normals, coarse, axis, SQUARE_FINE))) {
      const hole = wall.length >= FEWEST ? holeOf(subject, wall, hollow, axis, wrapDeg) : undefined;
      if (hole) holes.push(hole);
    }
  }
  return holes;
}

/** The direction of each facet as a mean of those around it that look about the same way, weighted by their areas. */
function smoothed(subject: Subject): Float64Array {
  const { positions, triangles: t } = subject.mesh;
  const { normals: n, areas } = subject.faces;
  const turning = nearBends(subject);
  const smooth = n.slice();
  const atCorner = new Float64Array(positions.length);
  for (let round = 0; round < ROUNDS; round++) {
    atCorner.fill(0);
    for (const face of turning) {
      const [f, area] = [3 * face, areas[face]];
      for (let k = 0; k < 3; k++) {
        const corner = 3 * t[f + k];
        atCorner[corner] += area * smooth[f];
        atCorner[corner + 1] += area * smooth[f + 1];
        atCorner[corner + 2] += area * smooth[f + 2];
      }
    }
    for (let corner = 0; corner < atCorner.length; corner += 3) {
      scaleToOne(atCorner, corner, atCorner[corner], atCorner[corner + 1], atCorner[corner + 2]);
    }
    for (const face of turning) {
      const f = 3 * face;
      let [x, y, z] = [0, 0, 0];
      for (let k = 0; k < 3; k++) {
        const corner = 3 * t[f + k];
        const [cx, cy, cz] = [atCorner[corner], atCorner[corner + 1], atCorner[corner + 2]];
        // Beside a rim the mean of all is of no use.
        if (cx * n[f] + cy * n[f + 1] + cz * n[f + 2] < 0.8) continue;
        x += cx;
        y += cy;
        z += cz;
      }
      if (!scaleToOne(smooth, f, x, y, z)) smooth.set(n.subarray(f, f + 3), f);
    }
  }
  return smooth;
}

/** The facets within reach of smoothing from where the surface bends; all others look the way of all around them. */
function nearBends({
  mesh: { positions, triangles: t },
  topology,
  faces: { normals: n },
}: Subject): number[] {
  let isNear = new Uint8Array(positions.length / 3);
  for (let edge = 0; edge < t.length; edge++) {
    const [a, b] = [3 * Math.floor(edge / 3), 3 * topology.neighbours[edge]];
    if (b >= 0 && n[a] * n[b] + n[a + 1] * n[b + 1] + n[a + 2] * n[b + 2] > LEVEL) continue;
    isNear[t[edge]] = isNear[t[edge % 3 === 2 ? edge - 2 : edge + 1]] = 1;
  }
  // A facet beyond the last round adds to the means at its corners.
  for (let ring = 0; ring < ROUNDS; ring++) {
    const isNext = isNear.slice();
    for (let f = 0; f < t.length; f += 3) {
      if (isNear[t[f]] || isNear[t[f + 1]] || isNear[t[f + 2]])
        isNext[t[f]] = isNext[t[f + 1]] = isNext[t[f + 2]] = 1;
    }
    isNear = isNext;
  }
  const near: number[] = [];
  for (let f = 0; f < t.length; f += 3) {
    if (isNear[t[f]] || isNear[t[f + 1]] || isNear[t[f + 2]]) near.push(f / 3);
  }
  return near;
}

/** Writes a direction in its length of 1 into a list; false if it has no length. */
function scaleToOne(into: Float64Array, at: number, x: number, y: number, z: number): boolean {
  const long = Math.sqrt(x * x + y * y + z * z);
  if (long === 0) return false;
  into[at] = x / long;
  into[at + 1] = y / long;
  into[at + 2] = z / long;
  return true;
}

/** Connected sets of facets without a rim between them that bend inwards as a whole. */
function hollows(
  { mesh: { positions: p, triangles: t }, topology, faces }: Subject,
  n: Float64Array,
  taken: ReadonlySet<number>,
): number[][] {
  const count = t.length / 3;
  const middles = new Float64Array(3 * count);
  for (let i = 0; i < t.length; i++) {
    for (let axis = 0; axis < 3; axis++) middles[3 * Math.floor(i / 3) + axis] += p[3 * t[i] + axis] / 3;
  }
  /** The sine of the bend from one facet to the next by some directions, above nothing where it is hollow. */
  const bendBy = (of: Float64Array, from: number, to: number): number => {
    const [a, b] = [3 * from, 3 * to];
    const cosine = of[a] * of[b] + of[a + 1] * of[b + 1] + of[a + 2] * of[b + 2];
    if (cosine > LEVEL) return 0;
    if (cosine < SHARP) return -1;
    const rise =
      (of[a] - of[b]) * (middles[b] - middles[a]) +
      (of[a + 1] - of[b + 1]) * (middles[b + 1] - middles[a + 1]) +
      (of[a + 2] - of[b + 2]) * (middles[b + 2] - middles[a + 2]);
    return Math.sign(rise) * Math.sqrt(Math.max(0, 1 - cosine ** 2));
  };
  /** The bend as it is smoothed; one outwards where the facets themselves make a rim. */
  const bend = (a: number, b: number): number =>
    bendBy(faces.normals, a, b) < -ROUGH_RIM ? -1 : bendBy(n, a, b);
  const seen = new Uint8Array(count);
  const found: number[][] = [];
  for (let seed = 0; seed < count; seed++) {
    if (seen[seed] || taken.has(seed)) continue;
    seen[seed] = 1;
    const set = [seed];
    let hollow = 0;
    for (let i = 0; i < set.length; i++) {
      for (let k = 0; k < 3; k++) {
        const other = topology.neighbours[3 * set[i] + k];
        if (other < 0 || taken.has(other)) continue;
        const way = bend(set[i], other);
        if (way < -RIM) continue;
        hollow += way;
        if (seen[other]) continue;
        seen[other] = 1;
        set.push(other);
      }
    }
    if (set.length >= FEWEST && hollow > Math.PI) found.push(set);
  }
  return found;
}

function holeOf(
  subject: Subject,
  wall: readonly number[],
  hollow: readonly number[],
  axis: Vec3,
  leastWrapDeg: number,
): Hole | undefined {
  const { positions: p, triangles: t } = subject.mesh;
  const along = new AlongAxis(axis);
  const cornersOf = (facets: readonly number[]) => [...new Set(facets.flatMap((f) => [t[3 * f], t[3 * f + 1], t[3 * f + 2]]))]; // oxfmt-ignore
  const corners = cornersOf(wall).map((vertex) => along.flat(p, vertex));
  const circle = fitCircle(corners);
  if (!circle) return undefined;
  const { middle, radius } = circle;
  const slackMm = Math.max(ROUND_MM, ROUND_SHARE * radius);
  const isOn = ([x, y]: readonly [number, number]) =>
    Math.abs(Math.hypot(x - middle[0], y - middle[1]) - radius) <= slackMm;
  if (radius <= slackMm || corners.filter((corner) => !isOn(corner)).length > OFF_SHARE * corners.length)
    return undefined;
  if (!looksInwards(subject, wall, along, middle)) return undefined;
  // What smoothing left out beside the rims belongs to the wall as well.
  const whole = hollow.filter((f) => [0, 1, 2].every((k) => isOn(along.flat(p, t[3 * f + k]))));
  const heights = cornersOf(whole).map((vertex) => along.height(p, vertex));
  const low = heights.reduce((a, b) => Math.min(a, b), Infinity);
  const high = heights.reduce((a, b) => Math.max(a, b), -Infinity);
  const angleAt = (vertex: number) => {
    const [x, y] = along.flat(p, vertex);
    return Math.atan2(y - middle[1], x - middle[0]);
  };
  if (wrapOf(wall.map((f) => [0, 1, 2].map((k) => angleAt(t[3 * f + k])))) < leastWrapDeg) return undefined;
  if (high - low < 2 * DEEP * radius && goesOnGently(subject, whole)) return undefined;
  const at = along.place(middle, (low + high) / 2);
  const through = along.isOpen(subject, at, radius, (high - low) / 2 + radius);
  return {
    shape: 'round',
    diameterMm: 2 * radius,
    depthMm: high - low,
    axis,
    middle: at,
    through,
    triangles: whole,
  };
}

/** Whether nearly all of a wall looks towards the axis; that of a post looks away from it. */
function looksInwards(
  { mesh: { positions: p, triangles: t }, faces: { normals } }: Subject,
  wall: readonly number[],
  along: AlongAxis,
  middle: readonly [number, number],
): boolean {
  const inwards = wall.filter((f) => {
    const [x, y] = along.flat(p, t[3 * f]);
    const [nx, ny] = along.flatOf([normals[3 * f], normals[3 * f + 1], normals[3 * f + 2]]);
    return nx * (x - middle[0]) + ny * (y - middle[1]) < 0;
  });
  return inwards.length > 0.9 * wall.length;
}

/** Whether the surface goes on from a wall without a rim along a good part of its ends, as that of a ball does. */
function goesOnGently({ faces: { normals: n }, topology }: Subject, wall: readonly number[]): boolean {
  const inside = new Set(wall);
  let [ends, gentle] = [0, 0];
  for (const f of wall) {
    for (let k = 0; k < 3; k++) {
      const other = topology.neighbours[3 * f + k];
      if (other < 0 || inside.has(other)) continue;
      ends++;
      const cosine =
        n[3 * f] * n[3 * other] + n[3 * f + 1] * n[3 * other + 1] + n[3 * f + 2] * n[3 * other + 2];
      if (cosine > GENTLE) gentle++;
    }
  }
  return gentle > 0.3 * ends;
}
