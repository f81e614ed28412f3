import type { Point } from '../plane/index.ts';
import { overlap, TEXT_MM, type Ink, type Rect } from './ink.ts';

/** Words with a leader to the rim of something round. */
export interface Callout {
  readonly words: string;
  /** The circles that it can be led to: middle and radius on paper, mm, and the ways to what is there of their rims. */
  readonly rims: readonly {
    readonly middle: Point;
    readonly radius: number;
    readonly facings: readonly Point[];
  }[];
}

type Segment = readonly [Point, Point];

const LENGTHS_MM = [5, 8, 12, 17, 23, 30, 38];
const SHELF_MM = 1.5;
/** Of rims of one size, so many are tried. */
const MOST_RIMS = 6;
/** So many directions are tried, spread over those that there are. */
const MOST_DIRECTIONS = 16;

interface Leader {
  readonly tip: Point;
  readonly knee: Point;
  readonly angle: number;
  readonly isLeft: boolean;
  readonly covers: Rect;
}

/**
 * Draws words that are led to rims, each where it crosses the fewest lines and covers nothing.
 *
 * @param taken what other words cover; what is written is added
 */
export function drawCallouts(ink: Ink, callouts: readonly Callout[], taken: Rect[]): void {
  for (const callout of callouts) {
    const width = ink.widthOf(callout.words);
    const segments = ink.lines.flatMap(({ points }) =>
      points.slice(1).map((point, i): Segment => [points[i], point]),
    );
    let best: Leader | undefined;
    let least = Infinity;
    for (const leader of leaders(callout, width)) {
      const cost = costOf(leader, segments, taken, least);
      if (cost < least) [least, best] = [cost, leader];
    }
    if (!best) continue;
    const { tip, knee, angle, isLeft, covers } = best;
    const end: Point = [isLeft ? covers.x : covers.x + covers.width, knee[1]];
    ink.line('thin', tip, knee, end);
    ink.arrow(tip, angle + Math.PI);
    ink.text(callout.words, [covers.x, knee[1] + 0.7]);
    taken.push(covers);
  }
}

function* leaders({ rims }: Callout, width: number): Generator<Leader> {
  for (const { middle, radius, facings } of rims.slice(0, MOST_RIMS)) {
    for (let i = 0; i < Math.min(MOST_DIRECTIONS, facings.length); i++) {
      const [cos, sin] =
        facings[Math.floor(((i + 0.5) * facings.length) / Math.min(MOST_DIRECTIONS, facings.length))];
      const angle = Math.atan2(sin, cos);
      const tip: Point = [middle[0] + radius * cos, middle[1] + radius * sin];
      for (const length of LENGTHS_MM) {
        const knee: Point = [tip[0] + length * cos, tip[1] + length * sin];
        const isLeft = cos < 0;
        const x = isLeft ? knee[0] - SHELF_MM - width : knee[0] + SHELF_MM;
        yield { tip, knee, angle, isLeft, covers: { x, y: knee[1] - 0.4, width, height: TEXT_MM + 1.8 } };
      }
    }
  }
}

/** What a leader covers and crosses; no more is counted than another one costs. */
function costOf(
  { tip, knee, covers }: Leader,
  segments: readonly Segment[],
  taken: readonly Rect[],
  least: number,
): number {
  let cost = Math.hypot(knee[0] - tip[0], knee[1] - tip[1]) * 0.12;
  for (const other of taken) {
    if (overlap(covers, other)) cost += 200;
    if (crosses([tip, knee], other)) cost += 40;
  }
  for (const segment of segments) {
    if (cost >= least) break;
    if (crosses(segment, covers)) cost += 12;
    if (meet([tip, knee], segment)) cost += 1;
  }
  return cost;
}

/** Whether a line goes through a rectangle (Liang and Barsky, 1984). */
function crosses([[ax, ay], [bx, by]]: Segment, { x, y, width, height }: Rect): boolean {
  let [low, high] = [0, 1];
  for (const [from, by_, min, max] of [
    [ax, bx - ax, x, x + width],
    [ay, by - ay, y, y + height],
  ]) {
    if (by_ === 0) {
      if (from < min || from > max) return false;
      continue;
    }
    const [s, t] = [(min - from) / by_, (max - from) / by_];
    low = Math.max(low, Math.min(s, t));
    high = Math.min(high, Math.max(s, t));
  }
  return low < high;
}

function meet([a, b]: Segment, [c, d]: Segment): boolean {
  const side = ([px, py]: Point, [qx, qy]: Point, [rx, ry]: Point) =>
    (qx - px) * (ry - py) - (qy - py) * (rx - px);
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
}
