import type { Surface } from './surface.ts';

/** A facet seen from an axis: the line of its plane in the half plane through the axis and its normal. */
export interface Profile {
  readonly out: number;
  readonly along: number;
  readonly offset: number;
  /** The angle of its normal about the axis. */
  readonly angle: number;
  /** 1 where its normal leads away from the axis, −1 where it leads towards it, as in a hole. */
  readonly side: 1 | -1;
}

/** Facets of one line about an axis that hang together. */
export interface Band {
  readonly facets: number[];
  readonly line: Profile;
  /** Its ends in the half plane: distance from the axis, and along it. */
  readonly ends: readonly [Point2, Point2];
  /** The cylinder that it is by itself, where it is upright. */
  readonly cylinder: Surface | undefined;
}
export type Point2 = readonly [away: number, along: number];

/** A curved surface that facets stand for. */
export interface Recognised {
  readonly surface: Surface;
  readonly facets: readonly number[];
}
