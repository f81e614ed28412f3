import type { Vec3 } from '../../mesh/index.ts';

/* Arithmetic of points and directions in space. */

export const plus = (a: Vec3, b: Vec3, times = 1): Vec3 => [
  a[0] + times * b[0],
  a[1] + times * b[1],
  a[2] + times * b[2],
];
export const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const times = (a: Vec3, by: number): Vec3 => [a[0] * by, a[1] * by, a[2] * by];
export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const lengthOf = (a: Vec3): number => Math.hypot(a[0], a[1], a[2]);
export const unit = (a: Vec3): Vec3 => times(a, 1 / (lengthOf(a) || 1));
/** A direction at right angles to another. */
export const across = (a: Vec3): Vec3 => unit(cross(a, Math.abs(a[2]) < 0.8 ? [0, 0, 1] : [1, 0, 0]));
