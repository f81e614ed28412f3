import type { Vec3 } from './solidMesh.ts';
import { cross, dot, lengthOf, minus, plus, times, unit } from './vectors.ts';

/** An edge of a part as one measures it: a straight line, or an arc or a whole circle. */
export type EdgeRun = StraightEdge | RoundEdge;

export interface StraightEdge {
  readonly kind: 'straight';
  readonly from: Vec3;
  readonly to: Vec3;
}

export interface RoundEdge {
  readonly kind: 'round';
  readonly middle: Vec3;
  readonly radiusMm: number;
  /** Its corners in order; of a whole circle the first follows the last. */
  readonly points: readonly Vec3[];
  readonly isWhole: boolean;
}

/** Two pieces of one straight edge: the cosine of half a degree. */
const STRAIGHT_COSINE = Math.cos(Math.PI / 360);
/** Two pieces of one arc turn by less than this; the coarsest circle has 24 of them, a polygon far fewer. */
const ROUND_COSINE = Math.cos(Math.PI / 10);
/** The pieces of an arc are about as long as each other, but for those at its ends. */
const UNEQUAL = 1.5;
/** How far a corner may lie off its circle, mm and as a share of the radius. */
const OFF_MM = 0.01;
const OFF_SHARE = 0.002;
/** An arc has at least so many pieces; fewer are a bevelled corner. */
const FEWEST = 4;

/**
 * The whole edge that a piece belongs to.
 *
 * @param edges both ends of each piece, six numbers each, as {@link featureEdges} hands them out
 */
export function edgeRunOf(edges: Float32Array, piece: number): EdgeRun {
  const ends = new Ends(edges);
  const [a, b] = ends.of(piece);
  const round = roundRun(ends, piece);
  if (round) return round;
  const on = (from: Vec3, to: Vec3) => (next: Vec3) =>
    dot(unit(minus(to, from)), unit(minus(next, to))) >= STRAIGHT_COSINE;
  return {
    kind: 'straight',
    from: walked(ends, piece, b, a, on).at(-1)!,
    to: walked(ends, piece, a, b, on).at(-1)!,
  };
}

/** The pieces by the places where they end. */
class Ends {
  readonly #edges: Float32Array;
  readonly #at = new Map<string, number[]>();

  constructor(edges: Float32Array) {
    this.#edges = edges;
    for (let piece = 0; piece < edges.length / 6; piece++) {
      for (const end of this.of(piece)) {
        const there = this.#at.get(end.join());
        if (there) there.push(piece);
        else this.#at.set(end.join(), [piece]);
      }
    }
  }

  of(piece: number): [Vec3, Vec3] {
    const [ax, ay, az, bx, by, bz] = this.#edges.subarray(6 * piece, 6 * piece + 6);
    return [
      [ax, ay, az],
      [bx, by, bz],
    ];
  }

  /** The other pieces at a place, and where they end beyond it. */
  beyond(place: Vec3, piece: number): { readonly piece: number; readonly end: Vec3 }[] {
    return (this.#at.get(place.join()) ?? [])
      .filter((each) => each !== piece)
      .map((each) => {
        const [a, b] = this.of(each);
        return { piece: each, end: a.join() === place.join() ? b : a };
      });
  }
}

/** The corners after a piece that is walked from one end over the other, as long as the way goes on; the piece's end is first. */
function walked(
  ends: Ends,
  piece: number,
  from: Vec3,
  to: Vec3,
  goesOn: (from: Vec3, to: Vec3) => (next: Vec3) => boolean,
): Vec3[] {
  const way = [to];
  let [last, here, at] = [from, to, piece];
  for (;;) {
    const is = goesOn(last, here);
    const next = ends.beyond(here, at).find(({ end }) => is(end));
    // Around a whole circle it comes back to where it began.
    if (!next || next.piece === piece) return way;
    way.push(next.end);
    [last, here, at] = [here, next.end, next.piece];
  }
}

/** The arc that a piece is one of, if it is one. */
function roundRun(ends: Ends, piece: number): RoundEdge | undefined {
  const [a, b] = ends.of(piece);
  for (const [from, to] of [
    [a, b],
    [b, a],
  ] as const) {
    // oxfmt-ignore
    for (const { end } of ends.beyond(to, piece)) {
      if (!turnsLikeAnArc(from, to, end)) continue;
      const circle = circleThrough(from, to, end);
      const on = (_: Vec3, here: Vec3) => (next: Vec3) => isOn(circle, next) && turnsOn(circle, here, next);
      const ahead = walked(ends, piece, from, to, on);
      const behind = walked(ends, piece, to, from, on);
      const isWhole = ahead.some((place, i) => i > 0 && place.join() === from.join());
      const points = isWhole ? ahead : [...behind.toReversed(), ...ahead];
      if (points.length < FEWEST + 1) continue;
      const { middle, radiusMm } = circle;
      return { kind: 'round', middle, radiusMm, points, isWhole };
    }
  }
  return undefined;
}

function turnsLikeAnArc(a: Vec3, b: Vec3, c: Vec3): boolean {
  const [first, second] = [minus(b, a), minus(c, b)];
  const ratio = lengthOf(first) / lengthOf(second);
  const cosine = dot(unit(first), unit(second));
  return ratio < UNEQUAL && ratio > 1 / UNEQUAL && cosine < STRAIGHT_COSINE && cosine > ROUND_COSINE;
}

interface Circle {
  readonly middle: Vec3;
  readonly radiusMm: number;
  /** Across its plane, of length 1. */
  readonly across: Vec3;
}

/** The circle through three points that do not lie on one line, by its two chords' middles. */
function circleThrough(a: Vec3, b: Vec3, c: Vec3): Circle {
  const [u, v] = [minus(b, a), minus(c, a)];
  const normal = cross(u, v);
  const square = dot(normal, normal);
  const towards = plus(times(cross(normal, u), dot(v, v)), times(cross(v, normal), dot(u, u)));
  const toMiddle = times(towards, 1 / (2 * square));
  return { middle: plus(a, toMiddle), radiusMm: lengthOf(toMiddle), across: unit(normal) };
}

function isOn({ middle, radiusMm, across }: Circle, place: Vec3): boolean {
  const from = minus(place, middle);
  const most = OFF_MM + OFF_SHARE * radiusMm;
  return Math.abs(lengthOf(from) - radiusMm) < most && Math.abs(dot(from, across)) < most;
}

/** Whether a piece between two places of a circle is a short chord of it, and not one right across. */
function turnsOn({ middle, radiusMm }: Circle, from: Vec3, to: Vec3): boolean {
  return dot(minus(from, middle), minus(to, middle)) > radiusMm * radiusMm * ROUND_COSINE * 0.9;
}
