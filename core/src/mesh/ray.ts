import type { Vec3 } from './solidMesh.ts';

/** Whether a ray comes through a box before a distance: the part of it between each pair of sides, in turn. */
export function rayMeetsBox(bounds: Float32Array, b: number, from: Vec3, way: Vec3, farMm: number): boolean {
  let enter = 0;
  let leave = farMm;
  for (let axis = 0; axis < 3; axis++) {
    const low = bounds[b + axis] - from[axis];
    const high = bounds[b + 3 + axis] - from[axis];
    const along = way[axis];
    if (along === 0) {
      if (low > 0 || high < 0) return false;
      continue;
    }
    const a = low / along;
    const z = high / along;
    const near = a < z ? a : z;
    const far = a < z ? z : a;
    if (near > enter) enter = near;
    if (far < leave) leave = far;
    // A box without thickness is met too, whatever rounding does.
    if (enter > leave + 1e-6) return false;
  }
  return true;
}

/** Distance along a ray to a triangle, or −1 (Möller and Trumbore 1997, without back-face culling). */
export function rayDistance(p: Float32Array, a: number, b: number, c: number, o: Vec3, d: Vec3): number {
  const e1x = p[b] - p[a];
  const e1y = p[b + 1] - p[a + 1];
  const e1z = p[b + 2] - p[a + 2];
  const e2x = p[c] - p[a];
  const e2y = p[c + 1] - p[a + 1];
  const e2z = p[c + 2] - p[a + 2];
  const hx = d[1] * e2z - d[2] * e2y;
  const hy = d[2] * e2x - d[0] * e2z;
  const hz = d[0] * e2y - d[1] * e2x;
  const det = e1x * hx + e1y * hy + e1z * hz;
  if (Math.abs(det) < 1e-12) return -1;
  const sx = o[0] - p[a];
  const sy = o[1] - p[a + 1];
  const sz = o[2] - p[a + 2];
  const u = (sx * hx + sy * hy + sz * hz) / det;
  if (u < 0 || u > 1) return -1;
  const qx = sy * e1z - sz * e1y;
  const qy = sz * e1x - sx * e1z;
  const qz = sx * e1y - sy * e1x;
  const v = (d[0] * qx + d[1] * qy + d[2] * qz) / det;
  if (v < 0 || u + v > 1) return -1;
  return (e2x * qx + e2y * qy + e2z * qz) / det;
}
