import type { Point } from '../plane/index.ts';

/** A straight line of a view, mm. */
export interface SeenLine {
  readonly from: Point;
  readonly to: Point;
  readonly isHidden: boolean;
  /** The facets that meet in it. */
  readonly between?: readonly [number, number];
}

/** Lines as long as they go on, each place drawn once. */
export interface JoinedLines {
  readonly seen: readonly (readonly Point[])[];
  readonly hidden: readonly (readonly Point[])[];
}

/** Lines and corners that are nearer than this are one, mm. */
const SAME_MM = 0.004;
/** Shorter lines are dots. */
const LEAST_MM = 0.01;

/**
 * Puts the lines of a view together: lines that lie in one line are merged, what is seen hides what is hidden behind it,
 * and lines that end where another begins become one way.
 */
export function joinedLines(lines: readonly SeenLine[]): JoinedLines {
  const seen: (readonly [Point, Point])[] = [];
  const hidden: (readonly [Point, Point])[] = [];
  for (const { along, origin, members } of inOneLine(lines)) {
    const at = (mm: number): Point => [origin[0] + mm * along[0], origin[1] + mm * along[1]];
    const ranges = (isHidden: boolean) =>
      united(members.filter((each) => each.isHidden === isHidden).map(({ range }) => range));
    const front = ranges(false);
    for (const [a, b] of front) seen.push([at(a), at(b)]);
    for (const range of ranges(true)) {
      for (const [a, b] of without(range, front)) hidden.push([at(a), at(b)]);
    }
  }
  return { seen: chained(seen), hidden: chained(hidden) };
}

type Range = readonly [low: number, high: number];

interface Line {
  readonly origin: Point;
  readonly along: Point;
  readonly members: { readonly range: Range; readonly isHidden: boolean }[];
}

/** Lines by the endless line that they lie in. */
function inOneLine(lines: readonly SeenLine[]): Line[] {
  const result: Line[] = [];
  const nearby = new Map<string, Line[]>();
  const lengthOf = ({ from, to }: SeenLine) => Math.hypot(to[0] - from[0], to[1] - from[1]);
  const sorted = lines
    .map((line) => ({ line, length: lengthOf(line) }))
    .filter(({ length }) => length > LEAST_MM)
    .sort((a, b) => b.length - a.length);
  for (const { line, length } of sorted) {
    const { from, to, isHidden } = line;
    let along: Point = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
    // Of the two ways along a line, the one to the right, or upwards.
    if (along[0] < -1e-9 || (Math.abs(along[0]) <= 1e-9 && along[1] < 0)) along = [-along[0], -along[1]];
    const angle = Math.round(Math.atan2(along[1], along[0]) / 0.02);
    const offset = Math.round((along[0] * from[1] - along[1] * from[0]) / 4);
    const around = [-1, 0, 1].flatMap((i) => [-1, 0, 1].map((k) => `${angle + i}:${offset + k}`));
    const isOn = ({ origin, along: way }: Line, [x, y]: Point) =>
      Math.abs(way[0] * (y - origin[1]) - way[1] * (x - origin[0])) < SAME_MM;
    let own = around
      .flatMap((key) => nearby.get(key) ?? [])
      .find((each) => isOn(each, from) && isOn(each, to));
    if (!own) {
      own = { origin: from, along, members: [] };
      result.push(own);
      const key = `${angle}:${offset}`;
      nearby.set(key, [...(nearby.get(key) ?? []), own]);
    }
    const { origin, along: way } = own;
    const at = ([x, y]: Point) => (x - origin[0]) * way[0] + (y - origin[1]) * way[1];
    const [a, b] = [at(from), at(to)];
    own.members.push({ range: [Math.min(a, b), Math.max(a, b)], isHidden });
  }
  return result;
}

function united(ranges: readonly Range[]): Range[] {
  const result: [number, number][] = [];
  for (const [low, high] of [...ranges].sort((a, b) => a[0] - b[0])) {
    const last = result.at(-1);
    if (last && low <= last[1] + SAME_MM) last[1] = Math.max(last[1], high);
    else result.push([low, high]);
  }
  return result;
}

/** What of a range is outside some others, which are in order. */
function without([low, high]: Range, others: readonly Range[]): Range[] {
  const result: Range[] = [];
  let from = low;
  for (const [begin, end] of others) {
    if (end <= from || begin >= high) continue;
    if (begin > from + LEAST_MM) result.push([from, begin]);
    from = Math.max(from, end);
  }
  if (high > from + LEAST_MM) result.push([from, high]);
  return result;
}

/** Lines put end to end where just two of them meet. */
function chained(lines: readonly (readonly [Point, Point])[]): Point[][] {
  const key = ([x, y]: Point) => `${Math.round(x / (5 * SAME_MM))}:${Math.round(y / (5 * SAME_MM))}`;
  const ends = new Map<string, number[]>();
  lines.forEach((line, i) =>
    line.forEach((point) => ends.set(key(point), [...(ends.get(key(point)) ?? []), i])),
  );
  const used = new Set<number>();
  const follow = (way: Point[]): void => {
    for (;;) {
      const end = way[way.length - 1];
      const here = ends.get(key(end))!;
      const next = here.length === 2 ? here.find((i) => !used.has(i)) : undefined;
      if (next === undefined) return;
      used.add(next);
      const [a, b] = lines[next];
      way.push(key(a) === key(end) ? b : a);
    }
  };
  const ways: Point[][] = [];
  lines.forEach(([a, b], i) => {
    if (used.has(i)) return;
    used.add(i);
    const way = [a, b];
    follow(way);
    way.reverse();
    follow(way);
    ways.push(way);
  });
  return ways;
}
