import type { Vec3 } from '../../mesh/index.ts';
import { memoizePerPart } from './memoizePerPart.ts';
import { evenlyOnBall, solidAngleDeg } from './solidAngle.ts';
import type { Subject } from './subject.ts';

/** A corner or an edge on the outside of a part, where a hand would meet it. */
export interface Corner {
  readonly kind: 'point' | 'edge';
  /** How wide the material spreads there: its solid angle, in degrees of spherical excess (a box's corner has 90°). */
  readonly deg: number;
  readonly at: Vec3;
  readonly faces: readonly number[];
}

/** Blunter corners are felt by nobody, so that none of a round part's many corners is looked at, °. */
const LOOK_TO_DEG = 175;
/** Shorter edges are felt as the corners at their ends, mm. */
const LEAST_EDGE_MM = 1;
/** What lies within this of the outermost is outside, mm. */
const OUTSIDE_MM = 0.4;
/** Where the surface turns by more, an edge is neither rounded nor chamfered, °. */
const SHARP_TURN_DEG = 50;
/** A surface that bends by more than this where the facets of a corner end is not flat around it, °. */
const ROUGH_DEG = 8;
/** There a corner is felt by what lies so many times as far around it as its facets reach, within these bounds. */
const FELT_FACETS = 1.5;
const FELT_MM = { least: 0.45, most: 1.2 };
/** So many corners are felt at most. */
const MOST_FELT = 120;
/** Edges as low as this lie on the plate, mm. */
const ON_PLATE_MM = 0.01;
/** Directions in which the outermost places are looked for. */
const DIRECTIONS = 96;

/**
 * The pointed corners and edges of a part that lie outermost, so that a hand closed around it would meet them.
 *
 * The solid angle of a corner is what its edges leave of the whole: 360° less the sum of the angles by which the faces
 * turn at them (the area of a spherical polygon; A. Girard, 1629). Along a straight edge it is twice the angle between
 * the sides.
 */
export function cornersOf(subject: Subject): Corner[] {
  const { mesh, faces, topology } = subject;
  const { positions: p, triangles: t } = mesh;
  const spread = new Float64Array(p.length / 3).fill(360);
  const edges: { edge: number; deg: number }[] = [];
  for (let edge = 0; edge < t.length; edge++) {
    const other = topology.neighbours[edge];
    const face = Math.floor(edge / 3);
    // Each edge is told by one of its faces.
    if (other < face || faces.areas[face] === 0 || faces.areas[other] === 0) continue;
    const turn = turnAt(subject, edge, face, other);
    spread[t[edge]] -= turn;
    spread[t[edge % 3 === 2 ? edge - 2 : edge + 1]] -= turn;
    const deg = 2 * (180 - turn);
    if (deg < LOOK_TO_DEG) edges.push({ edge, deg });
  }

  if (edges.length === 0 && !spread.some((deg) => deg < LOOK_TO_DEG)) return [];
  const isOutside = outermost(subject);
  const place = (vertex: number): Vec3 => [p[3 * vertex], p[3 * vertex + 1], p[3 * vertex + 2]];
  const corners = edges.flatMap(({ edge, deg }): Corner[] => {
    const [a, b] = [place(t[edge]), place(t[edge % 3 === 2 ? edge - 2 : edge + 1])];
    if (Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]) < LEAST_EDGE_MM) return [];
    const at: Vec3 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
    const own = [Math.floor(edge / 3), topology.neighbours[edge]];
    return isOutside(at, own) ? [{ kind: 'edge', deg, at, faces: own }] : [];
  });

  const around = new Map<number, number[]>();
  t.forEach((vertex, corner) => {
    if (spread[vertex] >= LOOK_TO_DEG || spread[vertex] <= 0) return;
    const list = around.get(vertex);
    if (list) list.push(Math.floor(corner / 3));
    else around.set(vertex, [Math.floor(corner / 3)]);
  });
  const points = [...around].flatMap(([vertex, own]) => {
    const at = place(vertex);
    const corner: Corner = { kind: 'point', deg: spread[vertex], at, faces: own };
    return isOutside(at, own) ? [{ vertex, corner }] : [];
  });
  return [...corners, ...asFelt(subject, points)];
}

/**
 * Corners as a finger feels them. Where the surface goes on bending around one, as where it was marched, the angles of
 * its own facets say little, and the material around it is measured. The sharpest are looked at; of a surface that is
 * rough all over there are more than anyone would be told of.
 */
function asFelt(subject: Subject, points: readonly { vertex: number; corner: Corner }[]): Corner[] {
  let looked = 0;
  return [...points]
    .sort((a, b) => a.corner.deg - b.corner.deg)
    .flatMap(({ vertex, corner }): Corner[] => {
      const { longestMm, bendsAtMm } = facetsAround(subject, vertex, corner.faces);
      const radiusMm = Math.min(FELT_MM.most, Math.max(FELT_MM.least, FELT_FACETS * longestMm));
      // Facets that reach as far as is felt, as those of a box, say all of it themselves.
      if (bendsAtMm >= radiusMm) return [corner];
      if (looked++ >= MOST_FELT) return [];
      // No sharper than its own facets are: the ball may reach through a thin wall.
      const deg = Math.max(corner.deg, solidAngleDeg(subject, corner.at, radiusMm));
      return deg < LOOK_TO_DEG ? [{ ...corner, deg }] : [];
    });
}

/** How far the facets at a corner reach from it at most, and how near they end at an edge where the surface bends, mm. */
function facetsAround(
  subject: Subject,
  vertex: number,
  facets: readonly number[],
): { longestMm: number; bendsAtMm: number } {
  const { positions: p, triangles: t } = subject.mesh;
  let [longestMm, bendsAtMm] = [0, Infinity];
  for (const face of facets) {
    for (let k = 0; k < 3; k++) {
      const edge = 3 * face + k;
      const [a, b] = [3 * t[edge], 3 * t[3 * face + ((k + 1) % 3)]];
      if (a === 3 * vertex || b === 3 * vertex) {
        longestMm = Math.max(longestMm, Math.hypot(p[a] - p[b], p[a + 1] - p[b + 1], p[a + 2] - p[b + 2]));
      } else if (Math.abs(turnAt(subject, edge, face, subject.topology.neighbours[edge])) >= ROUGH_DEG) {
        bendsAtMm = Math.min(bendsAtMm, toEdgeMm(p, 3 * vertex, a, b));
      }
    }
  }
  return { longestMm, bendsAtMm };
}

/** How far a place is from an edge between two others, all given by where their coordinates begin, mm. */
function toEdgeMm(p: Float32Array, at: number, a: number, b: number): number {
  const [x, y, z] = [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]];
  const [u, v, w] = [p[at] - p[a], p[at + 1] - p[a + 1], p[at + 2] - p[a + 2]];
  const share = Math.max(0, Math.min(1, (u * x + v * y + w * z) / (x * x + y * y + z * z || 1)));
  return Math.hypot(u - share * x, v - share * y, w - share * z);
}

/** How much of the part's outer edges is neither rounded nor chamfered, and beside which faces; those on the plate aside. */
export function sharpOuterEdges(subject: Subject): { mm: number; faces: number[] } {
  const { mesh, faces, topology } = subject;
  const { positions: p, triangles: t } = mesh;
  const isOutside = outermost(subject);
  const beside = new Set<number>();
  let mm = 0;
  for (let edge = 0; edge < t.length; edge++) {
    const other = topology.neighbours[edge];
    const face = Math.floor(edge / 3);
    if (other < face || faces.areas[face] === 0 || faces.areas[other] === 0) continue;
    if (turnAt(subject, edge, face, other) <= SHARP_TURN_DEG) continue;
    const [a, b] = [3 * t[edge], 3 * t[edge % 3 === 2 ? edge - 2 : edge + 1]];
    if (p[a + 2] < ON_PLATE_MM && p[b + 2] < ON_PLATE_MM) continue;
    const middle: Vec3 = [(p[a] + p[b]) / 2, (p[a + 1] + p[b + 1]) / 2, (p[a + 2] + p[b + 2]) / 2];
    if (!isOutside(middle, [face, other])) continue;
    mm += Math.hypot(p[a] - p[b], p[a + 1] - p[b + 1], p[a + 2] - p[b + 2]);
    beside.add(face).add(other);
  }
  return { mm, faces: [...beside] };
}

/** By how much the surface turns outwards at an edge, °; less than nothing where it turns inwards. */
function turnAt({ mesh, faces }: Subject, edge: number, face: number, other: number): number {
  const { positions: p, triangles: t } = mesh;
  const { normals: n } = faces;
  const a = 3 * face;
  const b = 3 * other;
  const from = 3 * t[edge];
  const to = 3 * t[edge % 3 === 2 ? edge - 2 : edge + 1];
  const cosine = n[a] * n[b] + n[a + 1] * n[b + 1] + n[a + 2] * n[b + 2];
  const cx = n[a + 1] * n[b + 2] - n[a + 2] * n[b + 1];
  const cy = n[a + 2] * n[b] - n[a] * n[b + 2];
  const cz = n[a] * n[b + 1] - n[a + 1] * n[b];
  const way = cx * (p[to] - p[from]) + cy * (p[to + 1] - p[from + 1]) + cz * (p[to + 2] - p[from + 2]);
  return (Math.sign(way) * Math.atan2(Math.sqrt(cx * cx + cy * cy + cz * cz), cosine) * 180) / Math.PI;
}

/** The corners of a part that are furthest out, in directions all around. */
const extremesOf = memoizePerPart('corners furthest out', ({ mesh: { positions: p }, tree }): Vec3[] =>
  evenlyOnBall(DIRECTIONS).map((way) => {
    const best = tree.furthest(way);
    return [p[best], p[best + 1], p[best + 2]];
  }),
);

/** Tells whether a place is as far out as anything, in the direction that its faces look together. */
function outermost(subject: Subject): (at: Vec3, of: readonly number[]) => boolean {
  const extremes = extremesOf(subject);
  const { normals } = subject.faces;
  return (at, of) => {
    const way = [0, 1, 2].map((axis) => of.reduce((sum, f) => sum + normals[3 * f + axis], 0));
    const length = Math.hypot(...way);
    if (length === 0) return true;
    const along = (point: Vec3) => (way[0] * point[0] + way[1] * point[1] + way[2] * point[2]) / length;
    const own = along(at) + OUTSIDE_MM;
    return extremes.every((point) => along(point) <= own);
  };
}
