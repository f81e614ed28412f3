import type { SolidMesh, Vec3 } from './solidMesh.ts';
import type { SurfaceTree } from './surfaceTree.ts';

/** Surfaces that pass through each other by less than this only touch, mm. */
const TOUCH_MM = 2e-3;

/** Two triangles of a surface that pass through each other, and a place where they do. */
export interface Crossing {
  readonly faces: readonly [number, number];
  readonly at: Vec3;
}

/**
 * Where a surface passes through itself: an edge of one triangle goes through another that it shares no corner with.
 * Triangles that lie in one plane, or only touch, do not cross.
 *
 * @param most looked for no further when so many are found
 */
export function selfCrossings(mesh: SolidMesh, tree: SurfaceTree, most: number): Crossing[] {
  const { positions: p, triangles: t } = mesh;
  const found: Crossing[] = [];
  for (let face = 0; 3 * face < t.length && found.length < most; face++) {
    const f = 3 * face;
    const min: [number, number, number] = [Infinity, Infinity, Infinity];
    const max: [number, number, number] = [-Infinity, -Infinity, -Infinity];
    for (let k = 0; k < 3; k++) {
      for (let axis = 0; axis < 3; axis++) {
        const value = p[3 * t[f + k] + axis];
        if (value < min[axis]) min[axis] = value;
        if (value > max[axis]) max[axis] = value;
      }
    }
    tree.eachIn({ min, max }, (other) => {
      const o = 3 * other;
      if (other <= face || found.length >= most) return;
      for (let i = 0; i < 3; i++) for (let k = 0; k < 3; k++) if (t[f + i] === t[o + k]) return;
      const at = passesThrough(p, t, f, o) ?? passesThrough(p, t, o, f);
      if (at) found.push({ faces: [face, other], at });
    });
  }
  return found;
}

/** Where an edge of the triangle whose corners begin at `a` goes through the one whose corners begin at `b`. */
function passesThrough(p: Float32Array, t: Uint32Array, a: number, b: number): Vec3 | undefined {
  const [q0, q1, q2] = [3 * t[b], 3 * t[b + 1], 3 * t[b + 2]];
  const [ux, uy, uz] = [p[q1] - p[q0], p[q1 + 1] - p[q0 + 1], p[q1 + 2] - p[q0 + 2]];
  const [vx, vy, vz] = [p[q2] - p[q0], p[q2 + 1] - p[q0 + 1], p[q2 + 2] - p[q0 + 2]];
  let [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
  const length = Math.sqrt(nx * nx + ny * ny + nz * nz);
  if (length === 0) return undefined;
  nx /= length;
  ny /= length;
  nz /= length;
  const height = (corner: number) =>
    (p[corner] - p[q0]) * nx + (p[corner + 1] - p[q0 + 1]) * ny + (p[corner + 2] - p[q0 + 2]) * nz;
  for (let k = 0; k < 3; k++) {
    const [from, to] = [3 * t[a + k], 3 * t[a + ((k + 1) % 3)]];
    const [below, above] = [height(from), height(to)];
    if (below * above >= 0 || Math.min(Math.abs(below), Math.abs(above)) < TOUCH_MM) continue;
    const share = below / (below - above);
    const at: Vec3 = [0, 1, 2].map(
      (axis) => p[from + axis] + share * (p[to + axis] - p[from + axis]),
    ) as unknown as Vec3;
    if (isWithin(p, [q0, q1, q2], [nx, ny, nz], at)) return at;
  }
  return undefined;
}

/** Whether a place in a triangle's plane lies inside it, and not on its rim. */
function isWithin(p: Float32Array, corners: readonly number[], [nx, ny, nz]: Vec3, [x, y, z]: Vec3): boolean {
  return corners.every((a, k) => {
    const b = corners[(k + 1) % 3];
    const [ex, ey, ez] = [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]];
    const [wx, wy, wz] = [x - p[a], y - p[a + 1], z - p[a + 2]];
    const inward = (ey * wz - ez * wy) * nx + (ez * wx - ex * wz) * ny + (ex * wy - ey * wx) * nz;
    return inward > TOUCH_MM * Math.sqrt(ex * ex + ey * ey + ez * ez);
  });
}
