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
  const { normals: n, areas } = facesOf(mesh);
  const bounds = boxesOf(mesh);
  const found: Crossing[] = [];

  /** A place where an edge of the other triangle goes through a triangle. */
  const through = (face: number, other: number): Vec3 | undefined => {
    const f = 3 * face;
    const o = 3 * other;
    for (let i = 2 * f; i < 2 * f + 3; i++) {
      const low = bounds[i];
      const high = bounds[i + 3];
      // What only reaches the rim of the box touches; a flat box has no rim.
      const rim = high - low > 2 * TOUCH_MM ? TOUCH_MM : 0;
      const k = i - 2 * f + 2 * o;
      if (bounds[k] > high - rim || bounds[k + 3] < low + rim) return undefined;
    }
    const nx = n[f];
    const ny = n[f + 1];
    const nz = n[f + 2];
    const a = 3 * t[f];
    const distance = nx * p[a] + ny * p[a + 1] + nz * p[a + 2];
    const d = 3 * t[o];
    const e = 3 * t[o + 1];
    const g = 3 * t[o + 2];
    const h0 = nx * p[d] + ny * p[d + 1] + nz * p[d + 2] - distance;
    const h1 = nx * p[e] + ny * p[e + 1] + nz * p[e + 2] - distance;
    const h2 = nx * p[g] + ny * p[g + 1] + nz * p[g + 2] - distance;
    // Most lie to one side, as neighbours do.
    if (h0 < TOUCH_MM && h1 < TOUCH_MM && h2 < TOUCH_MM) return undefined;
    if (h0 > -TOUCH_MM && h1 > -TOUCH_MM && h2 > -TOUCH_MM) return undefined;
    if (sharesCorner(t, f, o)) return undefined;
    const corners = [a, 3 * t[f + 1], 3 * t[f + 2]];
    for (const [from, to, low, high] of [
      [d, e, h0, h1],
      [e, g, h1, h2],
      [g, d, h2, h0],
    ]) {
      if (low * high >= 0 || Math.min(Math.abs(low), Math.abs(high)) < TOUCH_MM) continue;
      const share = low / (low - high);
      const along = (axis: number) => p[from + axis] + share * (p[to + axis] - p[from + axis]);
      const at: Vec3 = [along(0), along(1), along(2)];
      if (isWithin(p, corners, [nx, ny, nz], at)) return at;
    }
    return undefined;
  };

  // An edge goes past the plane by a touch on both sides, and passes the rim by one: along each axis, the boxes reach
  // into each other by at least 0.7 of that. So those of a plate and of what stands on it need not be looked into.
  tree.eachMeeting(TOUCH_MM / 2, (faces, others) => {
    if (found.length >= most) return;
    for (const face of faces) {
      if (areas[face] === 0) continue;
      for (const other of others) {
        // Within one group, each two come up both ways round.
        if ((faces === others && other <= face) || areas[other] === 0) continue;
        const at = through(face, other) ?? through(other, face);
        if (at) found.push({ faces: [Math.min(face, other), Math.max(face, other)], at });
      }
    }
  });
  return found.slice(0, most);
}

/** The box of each triangle: its least x, y and z and its greatest. */
function boxesOf({ positions: p, triangles: t }: SolidMesh): Float32Array {
  const boxes = new Float32Array(2 * t.length);
  for (let f = 0; f < t.length; f += 3) {
    for (let axis = 0; axis < 3; axis++) {
      const a = p[3 * t[f] + axis];
      const b = p[3 * t[f + 1] + axis];
      const c = p[3 * t[f + 2] + axis];
      boxes[2 * f + axis] = a < b ? (a < c ? a : c) : b < c ? b : c;
      boxes[2 * f + 3 + axis] = a > b ? (a > c ? a : c) : b > c ? b : c;
    }
  }
  return boxes;
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
