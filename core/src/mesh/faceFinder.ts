import { facesOf } from './measure.ts';
import type { SolidMesh, Vec3 } from './solidMesh.ts';
import { topologyOf } from './topology.ts';
import { dot, lengthOf, minus, plus } from './vectors.ts';

/** What leans away from the triangle that was pressed by no more than this is one face with it: its cosine. */
const ONE_FACE = Math.cos((25 * Math.PI) / 180);

/** Finds the face around a place on the surface. */
export type FindFace = (at: Vec3, withinMm?: number) => number[];

/**
 * What finds faces of a mesh: of a place the triangle nearest to it, and those beside it that look nearly the same way;
 * none where nothing is as near as `withinMm`.
 */
export function faceFinder(mesh: SolidMesh): FindFace {
  const { normals } = facesOf(mesh);
  const { neighbours } = topologyOf(mesh);
  const normalOf = (face: number): Vec3 => [normals[3 * face], normals[3 * face + 1], normals[3 * face + 2]];
  return (at, withinMm = Infinity) => {
    const { face: seed, mm } = nearestTriangle(mesh, at);
    if (seed < 0 || mm > withinMm) return [];
    const found = new Set([seed]);
    for (const face of found) {
      for (let k = 0; k < 3; k++) {
        const other = neighbours[3 * face + k];
        if (other >= 0 && dot(normalOf(other), normalOf(seed)) >= ONE_FACE) found.add(other);
      }
    }
    return [...found];
  };
}

/** The triangle that is nearest to a place, and how far away it is; -1 if there are none. */
function nearestTriangle(
  { positions: p, triangles }: SolidMesh,
  at: Vec3,
): { readonly face: number; readonly mm: number } {
  const corner = (i: number): Vec3 => [p[3 * i], p[3 * i + 1], p[3 * i + 2]];
  let [nearest, leastMm] = [-1, Infinity];
  for (let face = 0; 3 * face < triangles.length; face++) {
    const [a, b, c] = [0, 1, 2].map((k) => corner(triangles[3 * face + k]));
    const mm = lengthOf(minus(nearestOnTriangle(at, a, b, c), at));
    if (mm < leastMm) [nearest, leastMm] = [face, mm];
  }
  return { face: nearest, mm: leastMm };
}

/** The point of a triangle that is nearest to another point (C. Ericson, Real-Time Collision Detection, 5.1.5). */
function nearestOnTriangle(at: Vec3, a: Vec3, b: Vec3, c: Vec3): Vec3 {
  const [ab, ac] = [minus(b, a), minus(c, a)];
  const [fromA, fromB, fromC] = [minus(at, a), minus(at, b), minus(at, c)];
  const [d1, d2, d3] = [dot(ab, fromA), dot(ac, fromA), dot(ab, fromB)];
  const [d4, d5, d6] = [dot(ac, fromB), dot(ab, fromC), dot(ac, fromC)];
  if (d1 <= 0 && d2 <= 0) return a;
  if (d3 >= 0 && d4 <= d3) return b;
  if (d6 >= 0 && d5 <= d6) return c;
  const [overA, overB, overC] = [d3 * d6 - d5 * d4, d5 * d2 - d1 * d6, d1 * d4 - d3 * d2];
  if (overC <= 0 && d1 >= 0 && d3 <= 0) return plus(a, ab, d1 / (d1 - d3));
  if (overB <= 0 && d2 >= 0 && d6 <= 0) return plus(a, ac, d2 / (d2 - d6));
  if (overA <= 0 && d4 >= d3 && d5 >= d6) return plus(b, minus(c, b), (d4 - d3) / (d4 - d3 + (d5 - d6)));
  const all = overA + overB + overC;
  return plus(plus(a, ab, overB / all), ac, overC / all);
}
