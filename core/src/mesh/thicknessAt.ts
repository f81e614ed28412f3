import type { SurfacePoint } from './distance.ts';
import { rayDistance } from './ray.ts';
import type { SolidMesh } from './solidMesh.ts';
import { times } from './vectors.ts';

/** The face that a ray begins on is no other side, mm. */
const OWN_MM = 0.01;

/**
 * How far it is from a place on a surface straight through the material to its other side, mm; undefined where a mesh that is
 * not closed has none. One ray against all triangles, for a place that somebody points at.
 */
export function thicknessAt(
  { positions, triangles }: SolidMesh,
  { point, normal }: SurfacePoint,
): number | undefined {
  const inwards = times(normal, -1);
  let mm = Infinity;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [3 * triangles[t], 3 * triangles[t + 1], 3 * triangles[t + 2]];
    const there = rayDistance(positions, a, b, c, point, inwards);
    if (there > OWN_MM && there < mm) mm = there;
  }
  return mm < Infinity ? mm : undefined;
}
