import { wrapped } from '../edge.ts';
import type { Unknowns } from '../figure.ts';
import { sideOf, type Binding } from './relation.ts';

/** The angle at a point between the directions to two others, on the side where it was drawn. */
export interface Angle {
  readonly kind: 'angle';
  /** The one, the point of the angle, the other. */
  readonly points: readonly [number, number, number];
  readonly degrees: number;
}

export const angle: Binding<Angle> = ({ points, degrees }, drawn) => {
  const target = sideOf(between(drawn, points)) * degrees * (Math.PI / 180);
  const scaleMm = (distance(drawn, points[1], points[0]) + distance(drawn, points[1], points[2])) / 2;
  return {
    points,
    edges: [],
    misses: (figure) => [scaleMm * wrapped(between(figure, points) - target)],
  };
};

function between(figure: Unknowns, [a, at, c]: Angle['points']): number {
  return wrapped(towards(figure, at, c) - towards(figure, at, a));
}

function towards(figure: Unknowns, from: number, to: number): number {
  const [[ax, ay], [bx, by]] = [figure.point(from), figure.point(to)];
  return Math.atan2(by - ay, bx - ax);
}

function distance(figure: Unknowns, from: number, to: number): number {
  const [[ax, ay], [bx, by]] = [figure.point(from), figure.point(to)];
  return Math.hypot(bx - ax, by - ay);
}
