import { facesOf } from './measure.ts';
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
  const { normals, areas } = facesOf(mesh);
  const found: Crossing[] = [];
  const min: [number, number, number] = [0, 0, 0];
  const max: [number, number, number] = [0, 0, 0];
  for (let face = 0; face < areas.length && found.length < most; face++) {
    if (areas[face] === 0) continue;
    const f = 3 * face;
    const a = 3 * t[f];
    const b = 3 * t[f + 1];
    const c = 3 * t[f + 2];
    for (let axis = 0; axis < 3; axis++) {
      const low = Math.min(p[a + axis], p[b + axis], p[c + axis]);
      const high = Math.max(p[a + axis], p[b + axis], p[c + axis]);
      // What only reaches the rim of the box touches; a flat box has no rim.
      const rim = high - low > 2 * TOUCH_MM ? TOUCH_MM : 0;
      min[axis] = low + rim;
      max[axis] = high - rim;
    }
    const [nx, ny, nz] = [normals[f], normals[f + 1], normals[f + 2]];
    const distance = nx * p[a] + ny * p[a + 1] + nz * p[a + 2];
    // Each of two triangles that cross reaches over the plane of the other, so that one of them finds it.
    tree.eachAcross({ min, max }, [nx, ny, nz, distance], TOUCH_MM, (other) => {
      const o = 3 * other;
      const d = 3 * t[o];
      const e = 3 * t[o + 1];
      const g = 3 * t[o + 2];
      const h0 = nx * p[d] + ny * p[d + 1] + nz * p[d + 2] - distance;
      const h1 = nx * p[e] + ny * p[e + 1] + nz * p[e + 2] - distance;
      const h2 = nx * p[g] + ny * p[g + 1] + nz * p[g + 2] - distance;
      // Most lie to one side, as neighbours do.
      if (h0 < TOUCH_MM && h1 < TOUCH_MM && h2 < TOUCH_MM) return;
      if (h0 > -TOUCH_MM && h1 > -TOUCH_MM && h2 > -TOUCH_MM) return;
      if (found.length >= most || sharesCorner(t, f, o)) return;
      for (const [from, to, low, high] of [
        [d, e, h0, h1],
        [e, g, h1, h2],
        [g, d, h2, h0],
      ]) {
        // prettier-ignore
        if (low * high >= 0 || Math.min(Math.abs(low), Math.abs(high)) < TOUCH_MM) continue;
        const share = low / (low - high);
        const along = (axis: number) => p[from + axis] + share * (p[to + axis] - p[from + axis]);
        const at: Vec3 = [along(0), along(1), along(2)];
        if (!isWithin(p, [a, b, c], [nx, ny, nz], at)) continue;
        found.push({ faces: [Math.min(face, other), Math.max(face, other)], at });
        return;
      }
    });
  }
  return found;
}

function sharesCorner(t: Uint32Array, f: number, o: number): boolean {
  for (let i = 0; i < 3; i++) {
    for (let k = 0; k < 3; k++) if (t[f + i] === t[o + k]) return true;
  }
  return false;
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
