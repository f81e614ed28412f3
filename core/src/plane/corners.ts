import type { Outline, Point, Region } from './region.ts';

/** A place where an outline turns so sharply that people call it a corner. */
export interface Corner {
  readonly at: Point;
  /** The outline that it is a corner of, and its point there, by their indices. */
  readonly outline: number;
  readonly index: number;
  /** Whether material fills less than half of what is around it. */
  readonly isOuter: boolean;
}

/** Outlines that turn less are curves: circles have edges that turn by 15° at the most. */
const SHARP_DEG = 20;

/** The corners of a region, in the order of its outlines. */
export function cornersOf(region: Region): Corner[] {
  return region.flatMap((outline, of) =>
    outline.flatMap((at, index): Corner[] => {
      const before = outline[(index + outline.length - 1) % outline.length];
      const after = outline[(index + 1) % outline.length];
      const [ax, ay] = [at[0] - before[0], at[1] - before[1]];
      const [bx, by] = [after[0] - at[0], after[1] - at[1]];
      // Material lies to the left of every outline, openings included.
      const deg = (Math.atan2(ax * by - ay * bx, ax * bx + ay * by) * 180) / Math.PI;
      return Math.abs(deg) < SHARP_DEG ? [] : [{ at, outline: of, index, isOuter: deg > 0 }];
    }),
  );
}

/** The next corner along the same outline, by its place in the list; itself if it is the only one. */
export function nextCorner(corners: readonly Corner[], at: number): number {
  const { outline } = corners[at];
  if (corners[at + 1]?.outline === outline) return at + 1;
  return corners.findIndex((corner) => corner.outline === outline);
}

/** The corner before one along the same outline, by its place in the list; itself if it is the only one. */
export function cornerBefore(corners: readonly Corner[], at: number): number {
  const { outline } = corners[at];
  if (corners[at - 1]?.outline === outline) return at - 1;
  return corners.findLastIndex((corner) => corner.outline === outline);
}

/** A side of a corner: points from the corner on to the next one, and how far each is along the way, mm. */
export interface Chain {
  readonly points: readonly Point[];
  readonly lengths: readonly number[];
}

/** The two sides of a corner, against the way of its outline and along it. A lone corner has half of the outline each. */
export function chainsFrom(region: Region, corners: readonly Corner[], at: number): [Chain, Chain] {
  const { outline: of, index } = corners[at];
  const outline = region[of];
  return ([-1, 1] as const).map((way): Chain => {
    const end = corners[way === 1 ? nextCorner(corners, at) : cornerBefore(corners, at)].index;
    const whole = wayTo(outline, index, end, way);
    if (end !== index) return whole;
    return chainOf([whole.points[0], ...chainTo(whole, whole.lengths.at(-1)! / 2)]);
  }) as [Chain, Chain];
}

/** From one point of an outline to another, which may be the same, along it (1) or against its way (−1). */
function wayTo(outline: Outline, from: number, to: number, way: 1 | -1): Chain {
  const count = outline.length;
  const steps = (way * (to - from) + count) % count || count;
  return chainOf(
    Array.from({ length: steps + 1 }, (_, i) => outline[(((from + way * i) % count) + count) % count]),
  );
}

function chainOf(points: readonly Point[]): Chain {
  const lengths = [0];
  for (let i = 1; i < points.length; i++)
    lengths.push(
      lengths[i - 1] + Math.hypot(points[i][0] - points[i - 1][0], points[i][1] - points[i - 1][1]),
    );
  return { points, lengths };
}

/** The points of a chain behind its corner up to a place on it, that place being the last. */
export function chainTo({ points, lengths }: Chain, alongMm: number): Point[] {
  const last = lengths.findIndex((mm, i) => i > 0 && mm >= alongMm - SAME_MM);
  const end = last < 0 ? points.length - 1 : last;
  const [a, b] = [points[end - 1], points[end]];
  const long = lengths[end] - lengths[end - 1];
  const share = long === 0 ? 1 : Math.min(1, (alongMm - lengths[end - 1]) / long);
  return [...points.slice(1, end), [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])]];
}

/** What takes the place of a corner: how far it reaches along the two sides, mm, and its points from one end to the other. */
export interface CornerFinish {
  readonly beforeMm: number;
  readonly afterMm: number;
  readonly points: readonly Point[];
}

/** A straight cut from `mm` before a corner to `mm` behind it. */
export function cutAcross(region: Region, corners: readonly Corner[], at: number, mm: number): CornerFinish {
  const [before, after] = chainsFrom(region, corners, at);
  return { beforeMm: mm, afterMm: mm, points: [chainTo(before, mm).at(-1)!, chainTo(after, mm).at(-1)!] };
}

/**
 * The region with other things in the places of its corners; `finishes` has one for each corner, or undefined where it
 * stays. What is put in may not reach over what is put in at the next corner.
 */
export function withFinishes(
  region: Region,
  corners: readonly Corner[],
  finishes: readonly (CornerFinish | undefined)[],
): Region {
  return region.map((outline, of) => {
    const own = corners.flatMap((corner, i) => (corner.outline === of ? i : []));
    if (own.every((i) => finishes[i] === undefined)) return outline;
    return own.flatMap((i) => {
      const next = nextCorner(corners, i);
      const way = wayTo(outline, corners[i].index, corners[next].index, 1);
      const long = way.lengths.at(-1)!;
      const [fromMm, toMm] = [finishes[i]?.afterMm ?? 0, long - (finishes[next]?.beforeMm ?? 0)];
      const between = way.points.filter(
        (_, k) => way.lengths[k] > fromMm + SAME_MM && way.lengths[k] < toMm - SAME_MM,
      );
      return [...(finishes[i]?.points ?? [corners[i].at]), ...between];
    });
  });
}

/** Places along an outline that are as near as this are one, mm. */
const SAME_MM = 1e-9;
