import type { Outline, Point } from './region.ts';

/** How far a straight edge may stray from the curve it stands for, in mm: a fortieth of a common nozzle. */
export const CHORD_ERROR_MM = 0.01;

/**
 * The number of equal edges that stand for a circle of the given radius, a multiple of four so that its width and
 * depth are exact. From the sagitta s = r (1 − cos(π / n)).
 */
export function segmentsFor(radiusMm: number): number {
  const exact = Math.PI / Math.acos(1 - Math.min(1, CHORD_ERROR_MM / radiusMm));
  return Math.min(256, Math.max(24, 4 * Math.ceil(exact / 4)));
}

/** A circle about the origin, counter-clockwise, its points on the true circle. */
export function circlePoints(radiusMm: number): Outline {
  const segments = segmentsFor(radiusMm);
  return arc([0, 0], radiusMm, 0, 2 * Math.PI, segments).slice(0, segments);
}

/** Points along an arc, both ends among them; angles in radians, counter-clockwise when `sweep` is positive. */
export function arc(middle: Point, radiusMm: number, from: number, sweep: number, segments: number): Outline {
  return Array.from({ length: segments + 1 }, (_, i) => {
    const angle = from + (sweep * i) / segments;
    return [middle[0] + radiusMm * Math.cos(angle), middle[1] + radiusMm * Math.sin(angle)];
  });
}

/** An arc with as many edges as its share of a circle needs. */
export function fineArc(middle: Point, radiusMm: number, from: number, sweep: number): Outline {
  const segments = Math.max(1, Math.ceil((segmentsFor(radiusMm) * Math.abs(sweep)) / (2 * Math.PI)));
  return arc(middle, radiusMm, from, sweep, segments);
}

/**
 * Points along an arc from one point to another, the first left out. `bend` is the height of the arc over its chord
 * divided by half the chord: 0 is straight, 1 a half circle; positive bends to the right of the way.
 */
export function bentEdge(from: Point, to: Point, bend: number): Outline {
  const chord = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (Math.abs(bend) < 1e-6 || chord < 1e-9) return [to];
  const sweep = 4 * Math.atan(bend);
  const radius = chord / 2 / Math.sin(Math.abs(sweep) / 2);
  const towardsMiddle = (chord / 2) * ((1 - bend ** 2) / (2 * bend));
  const [ux, uy] = [(to[0] - from[0]) / chord, (to[1] - from[1]) / chord];
  const middle: Point = [
    (from[0] + to[0]) / 2 - uy * towardsMiddle,
    (from[1] + to[1]) / 2 + ux * towardsMiddle,
  ];
  const begin = Math.atan2(from[1] - middle[1], from[0] - middle[0]);
  const points = fineArc(middle, radius, begin, sweep).slice(1);
  points[points.length - 1] = to;
  return points;
}

/**
 * Points along a quadratic Bézier curve, its start left out. The greatest distance between such a curve and its chord
 * is a quarter of |p0 − 2 p1 + p2|, and halving the steps quarters it.
 */
export function quadratic(p0: Point, p1: Point, p2: Point, errorMm = CHORD_ERROR_MM): Outline {
  const steps = stepsFor(Math.hypot(p0[0] - 2 * p1[0] + p2[0], p0[1] - 2 * p1[1] + p2[1]) / 4, errorMm);
  return Array.from({ length: steps }, (_, i) => {
    const t = (i + 1) / steps;
    const u = 1 - t;
    return [
      u * u * p0[0] + 2 * u * t * p1[0] + t * t * p2[0],
      u * u * p0[1] + 2 * u * t * p1[1] + t * t * p2[1],
    ];
  });
}

/** Points along a cubic Bézier curve, its start left out; the distance to the chord is bounded as for a quadratic. */
export function cubic(p0: Point, p1: Point, p2: Point, p3: Point, errorMm = CHORD_ERROR_MM): Outline {
  const bend = Math.max(
    Math.hypot(p0[0] - 2 * p1[0] + p2[0], p0[1] - 2 * p1[1] + p2[1]),
    Math.hypot(p1[0] - 2 * p2[0] + p3[0], p1[1] - 2 * p2[1] + p3[1]),
  );
  const steps = stepsFor(bend * 0.75, errorMm);
  return Array.from({ length: steps }, (_, i) => {
    const t = (i + 1) / steps;
    const u = 1 - t;
    const [a, b, c, d] = [u ** 3, 3 * u * u * t, 3 * u * t * t, t ** 3];
    return [a * p0[0] + b * p1[0] + c * p2[0] + d * p3[0], a * p0[1] + b * p1[1] + c * p2[1] + d * p3[1]];
  });
}

function stepsFor(distanceMm: number, errorMm: number): number {
  return Math.max(1, Math.min(200, Math.ceil(Math.sqrt(distanceMm / errorMm))));
}
