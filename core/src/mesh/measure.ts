import type { SolidMesh } from './solidMesh.ts';

/**
 * The volume enclosed by a closed mesh, mm³: the sum of signed tetrahedra from the mesh's first vertex (divergence
 * theorem). Taking a vertex of the mesh as the apex keeps the figures small for a part far from the origin.
 * Negative when the triangles face inwards.
 */
export function volumeOf({ positions: p, triangles: t }: SolidMesh): number {
  if (t.length === 0) return 0;
  const ox = p[3 * t[0]];
  const oy = p[3 * t[0] + 1];
  const oz = p[3 * t[0] + 2];
  let sixfold = 0;
  for (let i = 0; i < t.length; i += 3) {
    const a = 3 * t[i];
    const b = 3 * t[i + 1];
    const c = 3 * t[i + 2];
    const ax = p[a] - ox;
    const ay = p[a + 1] - oy;
    const az = p[a + 2] - oz;
    const bx = p[b] - ox;
    const by = p[b + 1] - oy;
    const bz = p[b + 2] - oz;
    const cx = p[c] - ox;
    const cy = p[c + 1] - oy;
    const cz = p[c + 2] - oz;
    sixfold += ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
  }
  return sixfold / 6;
}

/** The area of the whole surface, mm². */
export function areaOf(mesh: SolidMesh): number {
  const { areas } = facesOf(mesh);
  let sum = 0;
  for (const area of areas) sum += area;
  return sum;
}

/** Unit normals (x, y, z per triangle) and areas (mm²) of all triangles; a triangle without area has normal 0. */
export interface Faces {
  readonly normals: Float64Array;
  readonly areas: Float64Array;
}

/** Computes {@link Faces} in one pass. */
export function facesOf({ positions: p, triangles: t }: SolidMesh): Faces {
  const count = t.length / 3;
  const normals = new Float64Array(t.length);
  const areas = new Float64Array(count);
  for (let f = 0; f < count; f++) {
    const a = 3 * t[3 * f];
    const b = 3 * t[3 * f + 1];
    const c = 3 * t[3 * f + 2];
    const ux = p[b] - p[a];
    const uy = p[b + 1] - p[a + 1];
    const uz = p[b + 2] - p[a + 2];
    const vx = p[c] - p[a];
    const vy = p[c + 1] - p[a + 1];
    const vz = p[c + 2] - p[a + 2];
    const nx = uy * vz - uz * vy;
    const ny = uz * vx - ux * vz;
    const nz = ux * vy - uy * vx;
    const twice = Math.sqrt(nx * nx + ny * ny + nz * nz);
    areas[f] = twice / 2;
    if (twice > 0) {
      normals[3 * f] = nx / twice;
      normals[3 * f + 1] = ny / twice;
      normals[3 * f + 2] = nz / twice;
    }
  }
  return { normals, areas };
}
