import { Vector3 } from 'three';
import type { Box, Faces, Vec3 } from '@kelbrin/core/mesh';

/** The directions from which a part can be looked at. */
export const views = {
  Top: new Vector3(0, -0.001, 1),
  Front: new Vector3(0, -1, 0.001),
  Side: new Vector3(1, 0, 0.001),
  Corner: new Vector3(0.55, -1, 0.85),
} as const;
export type View = keyof typeof views;

/**
 * Which way to look: a named view, from a direction, from where one looks now so that all is seen, or as it was looked at last;
 * looking anew, also the same way, counts up `turns`.
 */
export type Look = (
  | { readonly name: View }
  | { readonly from: Vec3 }
  | { readonly here: true }
  | { readonly last: true }
) & { readonly turns: number };

/** A look that says by itself from where. */
type Directed = Extract<Look, { name: View } | { from: Vec3 }>;

/** The direction from which triangles are seen best: the one they face together, a little from the front and above. */
export function lookingAt({ normals, areas }: Faces, triangles: readonly number[]): Vec3 {
  const sum = new Vector3();
  for (const t of triangles) {
    sum.add(new Vector3(normals[3 * t], normals[3 * t + 1], normals[3 * t + 2]).multiplyScalar(areas[t]));
  }
  const corner = views.Corner.clone().normalize();
  // Walls all around, as those of a hole, face nowhere together.
  const way = sum.length() > 1e-6 ? sum.normalize() : corner.clone();
  const isUnderside = way.z < -0.3;
  const from = way.addScaledVector(corner, isUnderside ? 0.25 : 0.6);
  return [from.x, from.y, isUnderside ? Math.min(from.z, -0.35) : from.z];
}

/** Around what is seen whole there is room for its sizes: so many times as far as it reaches. */
const ROOM = 1.22;

/** Half of the narrower of a view's two opening angles, which decides what is seen whole, radians. */
export function narrower(fovDeg: number, aspect: number): number {
  const half = (fovDeg * Math.PI) / 360;
  return Math.min(half, Math.atan(Math.tan(half) * aspect));
}

/** Where a camera with the given opening angle stands to see a box whole, and what it looks at. */
export function standpoint(
  look: Directed,
  box: Box,
  fovDeg: number,
  aspect: number,
): { eye: Vector3; target: Vector3 } {
  const min = new Vector3(...box.min);
  const max = new Vector3(...box.max);
  const target = min.clone().add(max).multiplyScalar(0.5);
  const radius = Math.max(8, max.distanceTo(min) / 2);
  const direction = 'name' in look ? views[look.name].clone() : new Vector3(...look.from);
  const distance = (ROOM * radius) / Math.sin(narrower(fovDeg, aspect));
  return { eye: target.clone().addScaledVector(direction.normalize(), distance), target };
}

/** A part that is so many times larger or smaller than what the view was fitted to needs another view. */
const OUTGROWN = 1.35;

/** Whether a part has become so much larger or smaller than a view was fitted to, or moved so far, that it needs another. */
export function hasOutgrown(fitted: Box, now: Box): boolean {
  const [before, after] = [fitted, now].map(({ min, max }) => ({
    middle: new Vector3(...min).add(new Vector3(...max)).multiplyScalar(0.5),
    radius: Math.max(8, new Vector3(...max).distanceTo(new Vector3(...min)) / 2),
  }));
  const ratio = after.radius / before.radius;
  const isElsewhere = before.middle.distanceTo(after.middle) > before.radius / 2;
  return isElsewhere || ratio > OUTGROWN || ratio < 1 / OUTGROWN;
}
