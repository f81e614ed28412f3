import type { Vec3 } from './solidMesh.ts';

/*
 * What the boxes of a tree tell. Each is six numbers of one list, from a place on: the least x, y and z, and the greatest.
 */

/** How far a box reaches along a way. */
export function reachOf(bounds: Float32Array, b: number, [x, y, z]: Vec3): number {
  return x * bounds[b + (x > 0 ? 3 : 0)] + y * bounds[b + (y > 0 ? 4 : 1)] + z * bounds[b + (z > 0 ? 5 : 2)];
}

export function boxReaches(bounds: Float32Array, b: number, min: Vec3, max: Vec3): boolean {
  for (let axis = 0; axis < 3; axis++) {
    if (bounds[b + axis] > max[axis] || bounds[b + 3 + axis] < min[axis]) return false;
  }
  return true;
}

/** Whether the box of a triangle reaches into another. */
export function triangleReaches(
  p: Float32Array,
  a: number,
  b: number,
  c: number,
  min: Vec3,
  max: Vec3,
): boolean {
  for (let axis = 0; axis < 3; axis++) {
    const [one, two, three] = [p[a + axis], p[b + axis], p[c + axis]];
    if (one > max[axis] && two > max[axis] && three > max[axis]) return false;
    if (one < min[axis] && two < min[axis] && three < min[axis]) return false;
  }
  return true;
}

export function boxesMeet(bounds: Float32Array, a: number, b: number, depth: number): boolean {
  return (
    bounds[b + 3] - bounds[a] >= depth &&
    bounds[a + 3] - bounds[b] >= depth &&
    bounds[b + 4] - bounds[a + 1] >= depth &&
    bounds[a + 4] - bounds[b + 1] >= depth &&
    bounds[b + 5] - bounds[a + 2] >= depth &&
    bounds[a + 5] - bounds[b + 2] >= depth
  );
}

/** Whether the sides of one box are longer together than those of another. */
export function isLarger(bounds: Float32Array, a: number, b: number): boolean {
  const ofA = bounds[a + 3] - bounds[a] + bounds[a + 4] - bounds[a + 1] + bounds[a + 5] - bounds[a + 2];
  const ofB = bounds[b + 3] - bounds[b] + bounds[b + 4] - bounds[b + 1] + bounds[b + 5] - bounds[b + 2];
  return ofA > ofB;
}
