import type { Vec3 } from './solidMesh.ts';

export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

export const times = (a: Vec3, by: number): Vec3 => [a[0] * by, a[1] * by, a[2] * by];
export const plus = (a: Vec3, b: Vec3, by = 1): Vec3 => [
  a[0] + by * b[0],
  a[1] + by * b[1],
  a[2] + by * b[2],
];
export const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const lengthOf = (a: Vec3): number => Math.hypot(a[0], a[1], a[2]);

/** The direction of a vector; nothing for a vector of no length. */
export function unit(a: Vec3): Vec3 {
  const length = lengthOf(a);
  return length > 0 ? times(a, 1 / length) : [0, 0, 0];
}

/** A direction at right angles to another. */
export const across = (a: Vec3): Vec3 => unit(cross(a, Math.abs(a[2]) < 0.8 ? [0, 0, 1] : [1, 0, 0]));

/** The angle between two directions, radians. */
export function angleBetween(a: Vec3, b: Vec3): number {
  return Math.atan2(lengthOf(cross(a, b)), dot(a, b));
}

/** Spherical interpolation between two directions (K. Shoemake, 1985): at the first for share 0, at the other for 1. */
export function slerp(a: Vec3, b: Vec3, share: number): Vec3 {
  const angle = angleBetween(a, b);
  if (angle < 1e-9) return a;
  const sine = Math.sin(angle);
  return plus(times(a, Math.sin((1 - share) * angle) / sine), times(b, Math.sin(share * angle) / sine));
}

/**
 * The vector x with a·x nearest to the wanted value for every row, by least squares; of many such, the shortest.
 *
 * @param rows pairs of a vector a and what a·x shall be
 */
export function nearestSolution(rows: readonly (readonly [Vec3, number])[]): Vec3 {
  // The normal equations, with so little added to their diagonal that it decides only what nothing else does.
  const RIDGE = 1e-9;
  const m = [0, 1, 2].map((i) =>
    [0, 1, 2].map((j) => rows.reduce((sum, [a]) => sum + a[i] * a[j], i === j ? RIDGE : 0)),
  );
  const b = [0, 1, 2].map((i) => rows.reduce((sum, [a, wanted]) => sum + a[i] * wanted, 0));
  const column = (i: number): Vec3 => [m[0][i], m[1][i], m[2][i]];
  const right: Vec3 = [b[0], b[1], b[2]];
  const [c0, c1, c2] = [column(0), column(1), column(2)];
  const determinant = dot(c0, cross(c1, c2));
  // Cramer's rule.
  return [
    dot(right, cross(c1, c2)) / determinant,
    dot(c0, cross(right, c2)) / determinant,
    dot(c0, cross(c1, right)) / determinant,
  ];
}
