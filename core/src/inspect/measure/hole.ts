import type { Vec3 } from '../../mesh/index.ts';

/** What a hole looks like along its axis. */
export type HoleShape = 'round' | 'three-sided' | 'square' | 'many-sided' | 'six-sided' | 'like a drop';

/** A hole whose wall goes all the way around its axis. */
export interface Hole {
  readonly shape: HoleShape;
  /** Of the circle on which the corners of a round wall lie, as it was drawn; of any other the largest circle that fits. */
  readonly diameterMm: number;
  /** How far the round wall reaches along the axis. */
  readonly depthMm: number;
  /** A unit vector along the hole. */
  readonly axis: Vec3;
  /** The point of the axis half-way along the wall. */
  readonly middle: Vec3;
  /** Whether both ends are open. */
  readonly through: boolean;
  readonly triangles: number[];
}
