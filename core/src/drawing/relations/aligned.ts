import type { Binding } from './relation.ts';

/** Two points lie at one height, or one straight above the other. */
export interface Aligned {
  readonly kind: 'level' | 'upright';
  readonly points: readonly [number, number];
}

export const aligned: Binding<Aligned> = ({ kind, points }) => {
  const axis = kind === 'level' ? 1 : 0;
  return {
    points,
    edges: [],
    misses: (figure) => [figure.point(points[1])[axis] - figure.point(points[0])[axis]],
  };
};
