import { sideOf, type Binding } from './relation.ts';

/** Two points lie a distance apart: straight, or only across or up. */
export interface Apart {
  readonly kind: 'apart';
  readonly points: readonly [number, number];
  readonly measured: 'straight' | 'across' | 'up';
  readonly lengthMm: number;
}

export const apart: Binding<Apart> = ({ points, measured, lengthMm }, drawn) => {
  const [a, b] = points;
  const axis = measured === 'across' ? 0 : 1;
  const side = sideOf(drawn.point(b)[axis] - drawn.point(a)[axis]);
  return {
    points,
    edges: [],
    misses(figure) {
      const [from, to] = [figure.point(a), figure.point(b)];
      if (measured === 'straight') return [Math.hypot(to[0] - from[0], to[1] - from[1]) - lengthMm];
      return [to[axis] - from[axis] - side * lengthMm];
    },
  };
};
