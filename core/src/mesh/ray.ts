import type { Vec3 } from './solidMesh.ts';

/** A ray from a place in a direction of length 1, ready to be held against many boxes. */
export interface Ray {
  readonly x: number;
  readonly y: number;
  readonly z: number;
  /** How far along the ray each axis is passed by a millimetre; nothing along an axis that it does not follow. */
  readonly perX: number;
  readonly perY: number;
  readonly perZ: number;
}

export function rayFrom([x, y, z]: Vec3, [wayX, wayY, wayZ]: Vec3): Ray {
  const per = (way: number) => (way === 0 ? 0 : 1 / way);
  return { x, y, z, perX: per(wayX), perY: per(wayY), perZ: per(wayZ) };
}

/** A box without thickness is met too, whatever rounding does. */
const TINY_MM = 1e-6;

/** Whether a ray comes through a box before a distance: the part of it between each pair of sides, in turn. */
export function rayMeetsBox(bounds: Float32Array, b: number, ray: Ray, farMm: number): boolean {
  let enter = 0;
  let leave = farMm + TINY_MM;
  const lowX = bounds[b] - ray.x;
  const highX = bounds[b + 3] - ray.x;
  if (ray.perX === 0) {
    if (lowX > 0 || highX < 0) return false;
  } else {
    const one = lowX * ray.perX;
    const other = highX * ray.perX;
    enter = Math.max(enter, Math.min(one, other));
    leave = Math.min(leave, Math.max(one, other) + TINY_MM);
    if (enter > leave) return false;
  }
  const lowY = bounds[b + 1] - ray.y;
  const highY = bounds[b + 4] - ray.y;
  if (ray.perY === 0) {
    if (lowY > 0 || highY < 0) return false;
  } else {
    const one = lowY * ray.perY;
    const other = highY * ray.perY;
    enter = Math.max(enter, Math.min(one, other));
    leave = Math.min(leave, Math.max(one, other) + TINY_MM);
    if (enter > leave) return false;
  }
  const lowZ = bounds[b + 2] - ray.z;
  const highZ = bounds[b + 5] - ray.z;
  if (ray.perZ === 0) return lowZ <= 0 && highZ >= 0;
  const one = lowZ * ray.perZ;
  const other = highZ * ray.perZ;
  enter = Math.max(enter, Math.min(one, other));
  leave = Math.min(leave, Math.max(one, other) + TINY_MM);
  return enter <= leave;
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
