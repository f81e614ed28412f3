type Point = readonly [number, number];

/** A stretch of a line as it is written: to a corner, straight or along an arc about a middle. */
export interface Stretch {
  readonly to: Point;
  /** How many pieces of the line it takes the place of. */
  readonly pieces: number;
  readonly arc?: { readonly middle: Point; readonly isClockwise: boolean };
}

/** How far an arc may stay away from the line that it takes the place of, mm: less than a nozzle can tell. */
export const ARC_DEVIATION_MM = 0.01;
/** Fewer pieces than this are as short when they are written as they are. */
const LEAST_PIECES = 4;
/** Beyond this an arc is as good as straight, and the rounding of its middle would show. */
const WIDEST_MM = 300;
/** An arc of more than this is written as two, so that none is mistaken for a whole circle or for nothing. */
const MOST_SWEEP = (5 / 6) * 2 * Math.PI;
/** Of a piece longer than this share of the circle a printer would make something else than the line is. */
const LONGEST_PIECE = Math.PI / 8;

/**
 * A line in the fewest stretches: pieces that lie on one circle, within {@link ARC_DEVIATION_MM}, become an arc, all others
 * stay as they are. Points follow each other; the first one is where the nozzle is.
 */
export function stretchesOf(points: readonly Point[]): Stretch[] {
  const stretches: Stretch[] = [];
  for (let at = 0; at < points.length - 1;) {
    let pieces = 1;
    let found: Stretch['arc'];
    // One piece more each time: what does not lie on a circle any more ends the search.
    for (let next = LEAST_PIECES; at + next < points.length; next++) {
      const arc = arcThrough(points, at, at + next);
      if (!arc) break;
      [pieces, found] = [next, arc];
    }
    stretches.push({ to: points[at + pieces], pieces, ...(found ? { arc: found } : {}) });
    at += pieces;
  }
  return stretches;
}

/** The arc on which all pieces from one point to another lie; undefined where they lie on none. */
function arcThrough(points: readonly Point[], from: number, to: number): Stretch['arc'] {
  const middle = middleOf(points[from], points[(from + to) >> 1], points[to]);
  if (!middle) return undefined;
  const radius = distance(points[from], middle);
  if (radius > WIDEST_MM) return undefined;
  let sweep = 0;
  let turn = 0;
  for (let i = from; i < to; i++) {
    const [a, b] = [points[i], points[i + 1]];
    if (Math.abs(distance(b, middle) - radius) > ARC_DEVIATION_MM) return undefined;
    const half: Point = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
    if (Math.abs(distance(half, middle) - radius) > ARC_DEVIATION_MM) return undefined;
    const angle = angleBetween(a, b, middle);
    if (Math.abs(angle) > LONGEST_PIECE || angle === 0) return undefined;
    if (turn !== 0 && Math.sign(angle) !== turn) return undefined;
    turn = Math.sign(angle);
    sweep += Math.abs(angle);
  }
  return sweep > MOST_SWEEP ? undefined : { middle, isClockwise: turn < 0 };
}

/** The middle of the circle through three points; undefined where they lie on a straight line. */
function middleOf(a: Point, b: Point, c: Point): Point | undefined {
  const [bx, by, cx, cy] = [b[0] - a[0], b[1] - a[1], c[0] - a[0], c[1] - a[1]];
  const twice = 2 * (bx * cy - by * cx);
  if (Math.abs(twice) < 1e-9) return undefined;
  const [b2, c2] = [bx * bx + by * by, cx * cx + cy * cy];
  return [a[0] + (cy * b2 - by * c2) / twice, a[1] + (bx * c2 - cx * b2) / twice];
}

/** The angle from one point to another seen from a middle, against the clock. */
function angleBetween(a: Point, b: Point, middle: Point): number {
  const [ax, ay, bx, by] = [a[0] - middle[0], a[1] - middle[1], b[0] - middle[0], b[1] - middle[1]];
  return Math.atan2(ax * by - ay * bx, ax * bx + ay * by);
}

function distance(a: Point, b: Point): number {
  return Math.hypot(a[0] - b[0], a[1] - b[1]);
}
