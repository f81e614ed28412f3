import type { Point } from '../plane/index.ts';
import type { Unknowns } from './figure.ts';

/** From where an edge begins to where it ends, mm. */
export function chordOf(figure: Unknowns, edge: number): Point {
  const [ax, ay] = figure.point(edge);
  const [bx, by] = figure.point(figure.after(edge));
  return [bx - ax, by - ay];
}

/** How far the ends of an edge lie apart, mm. */
export function chordLength(figure: Unknowns, edge: number): number {
  return Math.hypot(...chordOf(figure, edge));
}

/** Whether an edge is an arc; a straight one stays straight. */
export function isArc(figure: Unknowns, edge: number): boolean {
  return Math.abs(figure.turn(edge)) > 1e-9;
}

/** The direction of an edge's chord, rad, counter-clockwise from the right. */
export function directionOf(figure: Unknowns, edge: number): number {
  const [dx, dy] = chordOf(figure, edge);
  return Math.atan2(dy, dx);
}

/** The radius of an arc, mm; negative where it turns clockwise. From the chord c = 2 r sin(turn). */
export function radiusOf(figure: Unknowns, edge: number): number {
  return chordLength(figure, edge) / (2 * Math.sin(figure.turn(edge)));
}

/** The centre of an arc: left of the middle of its chord by half the chord over tan(turn). */
export function centreOf(figure: Unknowns, edge: number): Point {
  const [ax, ay] = figure.point(edge);
  const [dx, dy] = chordOf(figure, edge);
  const out = 1 / (2 * Math.tan(figure.turn(edge)));
  return [ax + dx / 2 - dy * out, ay + dy / 2 + dx * out];
}

/** How far a point lies to the left of the line through an edge's ends, mm. */
export function leftOf(figure: Unknowns, edge: number, [x, y]: Point): number {
  const [ax, ay] = figure.point(edge);
  const [dx, dy] = chordOf(figure, edge);
  return (dx * (y - ay) - dy * (x - ax)) / Math.hypot(dx, dy);
}

/** How far a point lies from the line of an edge: to its left, or outside the circle of an arc, mm. */
export function awayFrom(figure: Unknowns, edge: number, point: Point): number {
  if (!isArc(figure, edge)) return leftOf(figure, edge, point);
  const [cx, cy] = centreOf(figure, edge);
  return Math.hypot(point[0] - cx, point[1] - cy) - Math.abs(radiusOf(figure, edge));
}

/** An angle between −half and half of a turn, after any number of these turns; the turn is 2π where lines have a direction. */
export function wrapped(rad: number, turn = 2 * Math.PI): number {
  return rad - turn * Math.round(rad / turn);
}
