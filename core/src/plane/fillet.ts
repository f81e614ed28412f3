import { chainsFrom, type Chain, type Corner, type CornerFinish } from './corners.ts';
import { fineArc } from './curves.ts';
import type { Point, Region } from './region.ts';

/** Halvings of an edge in which a circle begins to fit: far below a nanometre. */
const HALVINGS = 40;
/** Newton's method needs three or four, and a few more where a foot passes from one edge to the next. */
const MOST_MOVES = 40;
/** At so many places of a side it is asked whether a circle fits, before it is asked at each. */
const MOST_LOOKS = 200;
/** What is missing by less has only been lost to rounding, mm. */
const SAME_MM = 1e-9;

/**
 * The rounding of a corner by a radius; undefined if no such circle touches both sides before their next corners.
 *
 * A circle that touches the side before the corner is moved away from the corner until it touches the side behind it, too;
 * where sides are curves of many edges, it is then moved by Newton's method until it touches both to a nanometre, so that
 * its arc crosses neither.
 */
export function filletAt(
  region: Region,
  corners: readonly Corner[],
  at: number,
  radiusMm: number,
): CornerFinish | undefined {
  const corner = corners[at];
  const [before, after] = chainsFrom(region, corners, at);
  // The middle of the circle lies in the material at an outer corner, and outside it at an inner one. Material lies to the
  // left of an outline, and so to the right of the side before a corner, which runs against it.
  const side = corner.isOuter ? 1 : -1;
  const first = firstMiddle(before, after, radiusMm, side);
  const touched = first && touchingBoth(before, after, radiusMm, side, first);
  // Past the ends of a side, there is only its last point to touch.
  if (!touched || touched.feet.some(({ beyondMm }) => beyondMm > 1e-6)) return undefined;
  const { middle, feet } = touched;
  const [one, other] = feet;
  return {
    beforeMm: one.alongMm,
    afterMm: other.alongMm,
    points: [one.at, ...arcBetween(middle, radiusMm, one.at, other.at), other.at],
  };
}

/** The middle of the first circle along the side before a corner that reaches the other side no more. */
function firstMiddle(before: Chain, after: Chain, radiusMm: number, side: 1 | -1): Point | undefined {
  const middleAt = (edge: number, share: number): Point => {
    const [a, b] = [before.points[edge], before.points[edge + 1]];
    const [nx, ny] = acrossAt(before, edge, share);
    return [
      a[0] + share * (b[0] - a[0]) - side * radiusMm * nx,
      a[1] + share * (b[1] - a[1]) - side * radiusMm * ny,
    ];
  };
  const isTooNear = (middle: Point) => radiusMm - side * nearestOn(after, middle).leftMm > SAME_MM;
  const edges = before.points.length - 1;
  // A curve of very many edges is looked at here and there first.
  const stride = Math.ceil(edges / MOST_LOOKS);
  let until = Math.min(stride, edges);
  while (until < edges && isTooNear(middleAt(until - 1, 1))) until = Math.min(until + stride, edges);
  for (let edge = Math.max(0, until - stride); edge < until; edge++) {
    if (isTooNear(middleAt(edge, 1))) continue;
    let [tooNear, fits] = [0, 1];
    for (let i = 0; i < HALVINGS; i++) {
      const share = (tooNear + fits) / 2;
      if (isTooNear(middleAt(edge, share))) tooNear = share;
      else fits = share;
    }
    return middleAt(edge, fits);
  }
  return undefined;
}

/** A circle near a given one that touches both sides; undefined if there is none, as beside sides that are parallel. */
function touchingBoth(
  before: Chain,
  after: Chain,
  radiusMm: number,
  side: 1 | -1,
  near: Point,
): { middle: Point; feet: readonly [Nearest, Nearest] } | undefined {
  let middle = near;
  for (let i = 0; i < MOST_MOVES; i++) {
    const feet = [nearestOn(before, middle), nearestOn(after, middle)] as const;
    const mm = [-side * feet[0].leftMm, side * feet[1].leftMm];
    const missing = mm.map((each) => radiusMm - each);
    if (missing.every((each) => Math.abs(each) < SAME_MM)) return { middle, feet };
    // The ways in which the distances grow fastest.
    const ways = feet.map(({ at }, k) => [(middle[0] - at[0]) / mm[k], (middle[1] - at[1]) / mm[k]]);
    const det = ways[0][0] * ways[1][1] - ways[0][1] * ways[1][0];
    if (!(Math.abs(det) > 1e-9)) return undefined;
    middle = [
      middle[0] + (missing[0] * ways[1][1] - missing[1] * ways[0][1]) / det,
      middle[1] + (missing[1] * ways[0][0] - missing[0] * ways[1][0]) / det,
    ];
  }
  return undefined;
}

/** To the left across a chain, a unit vector: that of its edges in their middles, and turning evenly in between. */
function acrossAt({ points }: Chain, edge: number, share: number): Point {
  const leftOf = (i: number): Point | undefined => {
    if (i < 0 || i + 1 >= points.length) return undefined;
    const [a, b] = [points[i], points[i + 1]];
    const long = Math.hypot(b[0] - a[0], b[1] - a[1]);
    return [-(b[1] - a[1]) / long, (b[0] - a[0]) / long];
  };
  const own = leftOf(edge)!;
  const other = share < 0.5 ? leftOf(edge - 1) : leftOf(edge + 1);
  if (!other) return own;
  const part = Math.abs(share - 0.5);
  const [x, y] = [own[0] + part * (other[0] - own[0]), own[1] + part * (other[1] - own[1])];
  const long = Math.hypot(x, y);
  return [x / long, y / long];
}

/** What is nearest to a point on a chain. */
interface Nearest {
  readonly at: Point;
  /** How far along the chain that is, mm. */
  readonly alongMm: number;
  /** How far to the left of the chain the point is there, mm; negative to the right. */
  readonly leftMm: number;
  /** How far the point lies past the ends of the chain, along it, mm. */
  readonly beyondMm: number;
}

function nearestOn({ points, lengths }: Chain, [x, y]: Point): Nearest {
  let best: Nearest | undefined;
  for (let i = 0; i + 1 < points.length; i++) {
    const [[ax, ay], [bx, by]] = [points[i], points[i + 1]];
    const [ux, uy] = [bx - ax, by - ay];
    const free = ((x - ax) * ux + (y - ay) * uy) / (ux * ux + uy * uy);
    const share = Math.max(0, Math.min(1, free));
    const at: Point = [ax + share * ux, ay + share * uy];
    const mm = Math.hypot(x - at[0], y - at[1]);
    if (best && mm >= Math.abs(best.leftMm)) continue;
    const isLeft = ux * (y - ay) - uy * (x - ax) >= 0;
    const alongMm = lengths[i] + share * (lengths[i + 1] - lengths[i]);
    const isEnd = (i === 0 && free < 0) || (i + 2 === points.length && free > 1);
    const beyondMm = isEnd ? Math.abs(free - share) * Math.hypot(ux, uy) : 0;
    best = { at, alongMm, leftMm: isLeft ? mm : -mm, beyondMm };
  }
  return best!;
}

/** The points of the shorter arc about a middle between two points, both left out. */
function arcBetween(middle: Point, radiusMm: number, from: Point, to: Point): Point[] {
  const angle = ([x, y]: Point) => Math.atan2(y - middle[1], x - middle[0]);
  let sweep = angle(to) - angle(from);
  if (sweep > Math.PI) sweep -= 2 * Math.PI;
  if (sweep < -Math.PI) sweep += 2 * Math.PI;
  return fineArc(middle, radiusMm, angle(from), sweep).slice(1, -1);
}
