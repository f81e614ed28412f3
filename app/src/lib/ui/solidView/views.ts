import { Vector3 } from 'three';
import type { Box } from '@kelbrin/core/mesh';

/** The directions from which a part can be looked at. */
export const views = {
  Top: new Vector3(0, -0.001, 1),
  Front: new Vector3(0, -1, 0.001),
  Side: new Vector3(1, 0, 0.001),
  Corner: new Vector3(0.55, -1, 0.85),
} as const;
export type View = keyof typeof views;

/** Where a camera with the given opening angle stands to see a box whole from a view, and what it looks at. */
export function standpoint(
  view: View,
  box: Box,
  fovDeg: number,
  aspect: number,
): { eye: Vector3; target: Vector3 } {
  const min = new Vector3(...box.min);
  const max = new Vector3(...box.max);
  const target = min.clone().add(max).multiplyScalar(0.5);
  const radius = Math.max(8, max.distanceTo(min) / 2);
  // The narrower of the two opening angles decides.
  const half = (fovDeg * Math.PI) / 360;
  const narrow = Math.min(half, Math.atan(Math.tan(half) * aspect));
  const distance = (1.12 * radius) / Math.sin(narrow);
  return { eye: target.clone().addScaledVector(views[view].clone().normalize(), distance), target };
}
