import type { Vec3 } from '../mesh/index.ts';
import { fitCircle } from '../plane/index.ts';
import { LEAST_FACETS, MOST_RADIUS_MM } from './tolerances.ts';
import { across, cross, dot, lengthOf, minus, plus, times, unit } from '../mesh/vectors.ts';

/** The circle through three points; undefined where they lie on a line. */
export function circleThrough(
  a: Vec3,
  b: Vec3,
  c: Vec3,
): { middle: Vec3; radiusMm: number; axis: Vec3 } | undefined {
  const [u, v] = [minus(b, a), minus(c, a)];
  const normal = cross(u, v);
  const square = dot(normal, normal);
  if (square < 1e-16) return undefined;
  const to = times(plus(times(cross(v, normal), dot(u, u)), cross(normal, u), dot(v, v)), 1 / (2 * square));
  const middle = plus(a, to, 1);
  return { middle, radiusMm: lengthOf(to), axis: unit(normal) };
}

/** A corner is first taken for one of a circle that is known from few of its own, mm. */
export const NEAR_CIRCLE_MM = 4e-3;

/** The circle that a way along edges begins with, known from as many corners as follow it. */
export function circleRun(
  length: number,
  corner: (i: number) => Vec3,
): { middle: Vec3; count: number } | undefined {
  if (length < LEAST_FACETS + 1) return undefined;
  const rough = circleThrough(corner(0), corner(2), corner(4));
  if (!rough || rough.radiusMm > MOST_RADIUS_MM) return undefined;
  let count = 1;
  while (count < length && isNextOn(rough, corner(count - 1), corner(count))) count++;
  if (count < LEAST_FACETS + 1) return undefined;
  const middle = middleOf(
    Array.from({ length: count }, (_, i) => corner(i)),
    rough,
  );
  return { middle, count };
}

function isNextOn(circle: { middle: Vec3; radiusMm: number }, from: Vec3, to: Vec3): boolean {
  return (
    Math.abs(lengthOf(minus(to, circle.middle)) - circle.radiusMm) < NEAR_CIRCLE_MM &&
    lengthOf(minus(to, from)) < circle.radiusMm / 3
  );
}

/** The middle of the circle that points lie about best, from a circle that is roughly it. */
export function middleOf(points: readonly Vec3[], rough: { middle: Vec3; axis: Vec3 }): Vec3 {
  const right = across(rough.axis);
  const back = cross(rough.axis, right);
  const flat = points.map((point) => {
    const from = minus(point, rough.middle);
    return [dot(from, right), dot(from, back)] as const;
  });
  const fitted = fitCircle(flat);
  if (!fitted) return rough.middle;
  const [x, y] = fitted.middle;
  return plus(plus(rough.middle, right, x), back, y);
}
