import { chordOf, leftOf } from '../edge.ts';
import { endsOf, type Binding } from './relation.ts';

/** Two points are mirror images of each other, in the upright line x = 0 or in the line of an edge. */
export interface Symmetric {
  readonly kind: 'symmetric';
  readonly points: readonly [number, number];
  readonly mirror?: number;
}

export const symmetric: Binding<Symmetric> = ({ points, mirror }, drawn) => {
  const [a, b] = points;
  if (mirror === undefined)
    return {
      points,
      edges: [],
      misses(figure) {
        const [[ax, ay], [bx, by]] = [figure.point(a), figure.point(b)];
        return [ax + bx, by - ay];
      },
    };
  return {
    points: [...points, ...endsOf(drawn, [mirror])],
    edges: [],
    misses(figure) {
      const [[ax, ay], [bx, by]] = [figure.point(a), figure.point(b)];
      const [dx, dy] = chordOf(figure, mirror);
      const along = ((bx - ax) * dx + (by - ay) * dy) / Math.hypot(dx, dy);
      return [leftOf(figure, mirror, [(ax + bx) / 2, (ay + by) / 2]), along];
    },
  };
};
