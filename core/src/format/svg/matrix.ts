import type { Point } from '../../plane/index.ts';
import { FormatError } from '../formatError.ts';
import { numbersOf } from './lengths.ts';
import { say } from '../../words/index.ts';

/** A map of the plane: x' = a x + c y + e, y' = b x + d y + f, as SVG writes it. */
export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

export const identity: Matrix = [1, 0, 0, 1, 0, 0];

/** First `inner`, then `outer`. */
export function times(outer: Matrix, inner: Matrix): Matrix {
  const [a, b, c, d, e, f] = outer;
  const [p, q, r, s, t, u] = inner;
  return [a * p + c * q, b * p + d * q, a * r + c * s, b * r + d * s, a * t + c * u + e, b * t + d * u + f];
}

export function apply([a, b, c, d, e, f]: Matrix, [x, y]: Point): Point {
  return [a * x + c * y + e, b * x + d * y + f];
}

/** By how much a map makes areas larger, as a factor of lengths. */
export function scaleOf([a, b, c, d]: Matrix): number {
  return Math.sqrt(Math.abs(a * d - b * c));
}

/** The map that a `transform` says (SVG 2, § 8.5). Throws a {@link FormatError} where it cannot be read. */
export function transformOf(words: string | undefined): Matrix {
  if (!words || words.trim() === 'none') return identity;
  let matrix = identity;
  for (let at = 0; ;) {
    const open = words.indexOf('(', at);
    if (open < 0) return matrix;
    const close = words.indexOf(')', open);
    if (close < 0) throw unreadable();
    const name = words.slice(at, open).replaceAll(',', ' ').trim();
    matrix = times(matrix, single(name, numbersOf(words.slice(open + 1, close))));
    at = close + 1;
  }
}

function single(name: string, n: number[]): Matrix {
  const given = n.length;
  const [first = 0, second = 0, third = 0] = n;
  switch (name) {
    case 'matrix':
      if (given === 6) return n as unknown as Matrix;
      break;
    case 'translate':
      if (given === 1 || given === 2) return [1, 0, 0, 1, first, second];
      break;
    case 'scale':
      if (given === 1 || given === 2) return [first, 0, 0, given === 2 ? second : first, 0, 0];
      break;
    case 'rotate': {
      if (given !== 1 && given !== 3) break;
      const [cos, sin] = [Math.cos(radians(first)), Math.sin(radians(first))];
      const about: Matrix = [cos, sin, -sin, cos, 0, 0];
      return times(times([1, 0, 0, 1, second, third], about), [1, 0, 0, 1, -second, -third]);
    }
    case 'skewX':
      if (given === 1) return [1, 0, Math.tan(radians(first)), 1, 0, 0];
      break;
    case 'skewY':
      if (given === 1) return [1, Math.tan(radians(first)), 0, 1, 0, 0];
  }
  throw unreadable();
}

function radians(deg: number): number {
  return (deg * Math.PI) / 180;
}

function unreadable(): FormatError {
  return new FormatError(say('the drawing has a transformation that cannot be read'));
}
