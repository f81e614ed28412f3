import { facesAt } from './facesByHeight.ts';
import type { SolidMesh } from './solidMesh.ts';
import { topologyOf } from './topology.ts';

/** One outline of a section, material to the left of its edges; edge i runs from point i and lies on `faces[i]`. */
export interface SectionOutline {
  readonly points: [number, number][];
  readonly faces: number[];
}

/** The sine of a bend that is none, for coordinates of single precision. */
const STRAIGHT = 1e-4;

/**
 * The outlines of a closed mesh at a height, walked from triangle to triangle. A corner that lies in the very plane
 * counts as above it, so that every walk closes.
 */
export function sectionAt(mesh: SolidMesh, zMm: number): SectionOutline[] {
  const { positions: p, triangles } = mesh;
  const { neighbours } = topologyOf(mesh);
  const isAbove = new Uint8Array(p.length / 3);
  for (let corner = 0; corner < isAbove.length; corner++) isAbove[corner] = p[3 * corner + 2] >= zMm ? 1 : 0;
  const seen = new Uint8Array(triangles.length / 3);
  const near = facesAt(mesh, zMm);
  const outlines: SectionOutline[] = [];
  for (let i = 0; i < (near ?? seen).length; i++) {
    const seed = near ? near[i] : i;
    if (seen[seed] || risingEdge(isAbove, triangles, seed) < 0) continue;
    const points: [number, number][] = [];
    const faces: number[] = [];
    let face = seed;
    while (face >= 0 && !seen[face]) {
      seen[face] = 1;
      const edge = risingEdge(isAbove, triangles, face);
      const [a, b] = [3 * triangles[edge], 3 * triangles[edge % 3 === 2 ? edge - 2 : edge + 1]];
      const share = (zMm - p[a + 2]) / (p[b + 2] - p[a + 2]);
      points.push([p[a] + share * (p[b] - p[a]), p[a + 1] + share * (p[b + 1] - p[a + 1])]);
      // The way leaves a triangle by its rising edge and goes on in the neighbour there.
      face = neighbours[edge];
      faces.push(face);
    }
    const outline = straightened({ points, faces });
    if (outline.points.length > 2) outlines.push(outline);
  }
  return outlines;
}

/**
 * The outlines of a closed mesh in an upright plane through a place, seen so that a horizontal direction of the plane
 * points to the right and z up: x is counted along the direction from the origin, y is z.
 *
 * @param along the direction, of length 1
 */
export function uprightSection(
  { positions: p, triangles }: SolidMesh,
  [x, y]: readonly [number, number],
  [ux, uy]: readonly [number, number],
): SectionOutline[] {
  // The right-handed frame of the plane: along it, up, and out of it.
  const turned = new Float32Array(p.length);
  for (let i = 0; i < p.length; i += 3) {
    turned[i] = p[i] * ux + p[i + 1] * uy;
    turned[i + 1] = p[i + 2];
    turned[i + 2] = (p[i] - x) * uy - (p[i + 1] - y) * ux;
  }
  return sectionAt({ positions: turned, triangles }, 0);
}

/**
 * Without the points where an outline stays for a moment, as in a corner that lies in the plane, or goes straight on: a
 * wall's triangles share its plane.
 */
function straightened(outline: SectionOutline): SectionOutline {
  const { points, faces } = moving(outline);
  const kept: SectionOutline = { points: [], faces: [] };
  let before = points[points.length - 1];
  for (let i = 0; i < points.length; i++) {
    const at = points[i];
    const next = points[i + 1 < points.length ? i + 1 : 0];
    const ux = at[0] - before[0];
    const uy = at[1] - before[1];
    const vx = next[0] - at[0];
    const vy = next[1] - at[1];
    const cross = ux * vy - uy * vx;
    const isStraight =
      cross * cross <= STRAIGHT * STRAIGHT * (ux * ux + uy * uy) * (vx * vx + vy * vy) &&
      ux * vx + uy * vy >= 0;
    if (isStraight) continue;
    kept.points.push(at);
    kept.faces.push(faces[i]);
    before = at;
  }
  return kept;
}

/** Each of several points at one place is straight on from the others, so all but the last of them go first. */
function moving(outline: SectionOutline): SectionOutline {
  const { points, faces } = outline;
  const moves = (_: unknown, i: number) => {
    const [next, at] = [points[i + 1 < points.length ? i + 1 : 0], points[i]];
    return at[0] !== next[0] || at[1] !== next[1];
  };
  // Most outlines have no such points, and there are many outlines.
  if (points.every(moves)) return outline;
  return { points: points.filter(moves), faces: faces.filter(moves) };
}

/** The directed edge of a triangle that goes from a corner below to one above, or −1. Most triangles have none, so this is plain. */
function risingEdge(isAbove: Uint8Array, triangles: Uint32Array, face: number): number {
  const first = 3 * face;
  const a = isAbove[triangles[first]];
  const b = isAbove[triangles[first + 1]];
  const c = isAbove[triangles[first + 2]];
  if (a === b && b === c) return -1;
  if (a < b) return first;
  return b < c ? first + 1 : first + 2;
}
