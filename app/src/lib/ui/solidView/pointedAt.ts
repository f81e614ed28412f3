import type { Px } from './outlook';

/** What a pointer rests on: a triangle of the surface, or one of the edges that can be tapped, and where on the view. */
export interface PointedAt {
  readonly triangle?: number;
  readonly edge?: number;
  readonly at: Px;
}
