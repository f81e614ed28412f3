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
  const seen = new Uint8Array(triangles.length / 3);
  const outlines: SectionOutline[] = [];
  for (let seed = 0; seed < seen.length; seed++) {
    if (seen[seed] || risingEdge(p, triangles, seed, zMm) < 0) continue;
    const points: [number, number][] = [];
    const faces: number[] = [];
    let face = seed;
    while (face >= 0 && !seen[face]) {
      seen[face] = 1;
      const edge = risingEdge(p, triangles, face, zMm);
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

/** Without the points where an outline goes straight on: a wall's triangles share its plane. */
function straightened({ points, faces }: SectionOutline): SectionOutline {
  const kept: SectionOutline = { points: [], faces: [] };
  for (let i = 0; i < points.length; i++) {
    const [px, py] = kept.points.at(-1) ?? points[points.length - 1];
    const [[x, y], [nx, ny]] = [points[i], points[(i + 1) % points.length]];
    const [ux, uy, vx, vy] = [x - px, y - py, nx - x, ny - y];
    const isStraight =
      Math.abs(ux * vy - uy * vx) <= STRAIGHT * (Math.hypot(ux, uy) * Math.hypot(vx, vy)) &&
      ux * vx + uy * vy >= 0;
    if (isStraight) continue;
    kept.points.push(points[i]);
    kept.faces.push(faces[i]);
  }
  return kept;
}

/** The directed edge of a triangle that crosses a height upwards, or −1. Most triangles cross none, so this is plain. */
function risingEdge(p: Float32Array, triangles: Uint32Array, face: number, zMm: number): number {
  const a = p[3 * triangles[3 * face] + 2];
  const b = p[3 * triangles[3 * face + 1] + 2];
  const c = p[3 * triangles[3 * face + 2] + 2];
  if (a < zMm) {
    if (b >= zMm) return 3 * face;
    return c >= zMm ? 3 * face + 1 : -1;
  }
  if (b < zMm && c >= zMm) return 3 * face + 1;
  return c < zMm ? 3 * face + 2 : -1;
}
