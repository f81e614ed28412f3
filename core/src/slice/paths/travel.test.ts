import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { circlePoints, isInside, type Point, type Region } from '../../plane/index.ts';
import { groundOf, wayWithin as wayOver, withWays } from './travel.ts';
import type { Path } from './toolpath.ts';

/** An upright U, 30 × 30 mm, its arms 8 mm wide. */
const u: Region = [
  [
    [0, 0],
    [30, 0],
    [30, 30],
    [22, 30],
    [22, 8],
    [8, 8],
    [8, 30],
    [0, 30],
  ],
];
const square = (size: number, x = 0): Region[number] => [
  [x - size, -size],
  [x + size, -size],
  [x + size, size],
  [x - size, size],
];

const wayWithin = (from: readonly [number, number], to: readonly [number, number], region: Region) =>
  wayOver(from, to, groundOf(region));

/** Whether every point of a way, in steps of 0.1 mm, lies in a region or on its edge. */
function staysIn(way: readonly (readonly [number, number])[], region: Region): boolean {
  return way.slice(1).every(([toX, toY], i) => {
    const [x, y] = way[i];
    const steps = Math.ceil(Math.hypot(toX - x, toY - y) / 0.1);
    return Array.from({ length: steps }, (_, k) => k / steps).every((t) =>
      [-0.01, 0.01].some((dx) =>
        [-0.01, 0.01].some((dy) => {
          const point: Point = [x + t * (toX - x) + dx, y + t * (toY - y) + dy];
          return region.filter((outline) => isInside(point, outline)).length % 2 === 1;
        }),
      ),
    );
  });
}

describe('a way over what is printed', () => {
  it('is straight where nothing is between', () => {
    expect(wayWithin([2, 2], [28, 4], u)).toEqual([]);
  });

  it('goes around the gap of a U by its inner corners', () => {
    const way = wayWithin([4, 28], [26, 28], u)!;
    expect(way).toEqual([
      [8, 8],
      [22, 8],
    ]);
    expect(staysIn([[4, 28], ...way, [26, 28]], u)).toBe(true);
  });

  it('goes around a hole the shorter way', () => {
    const pierced: Region = [square(20), circlePoints(6).toReversed()];
    const [from, to] = [
      [-10, 1],
      [10, 1],
    ] as const;
    const way = wayWithin(from, to, pierced)!;
    expect(way.every(([, y]) => y >= 0)).toBe(true);
    expect(staysIn([from, ...way, to], pierced)).toBe(true);
  });

  it('is none between pieces that do not hang together', () => {
    expect(wayWithin([0, 0], [30, 0], [square(5), square(5, 30)])).toBeUndefined();
  });
});

it('a layer draws the filament back only where its way crosses open air', () => {
  const dot = (x: number, y: number): Path => ({
    role: 'inside',
    points: [
      [x, y],
      [x + 0.5, y],
    ],
    closed: false,
    widthMm: 0.45,
  });
  const region: Region = [...u, square(4, 60)];
  const [first, inside, around, away] = withWays(
    [dot(4, 28), dot(4, 20), dot(26, 28), dot(58, 0)],
    groundOf(region),
  );
  expect(first.way).toBeUndefined();
  expect(inside.way).toEqual([]);
  expect(around.way).toHaveLength(2);
  expect(away.way).toBeUndefined();
});

describe('a way over anything', () => {
  const shapes: Region[] = [
    u,
    [square(20), circlePoints(6).toReversed()],
    [square(5), square(5, 30), square(5, 15)],
    // A comb: three teeth, so that a straight way across them leaves the region twice and comes back.
    [
      [
        [0, 0], [50, 0], [50, 30], [40, 30], [40, 5], [30, 5], [30, 30], [20, 30], [20, 5], [10, 5], [10, 30], [0, 30],
      ],
    ], // oxfmt-ignore
  ];
  // Never on an outline, where it is a matter of rounding whether a place is inside.
  const place = fc
    .tuple(fc.integer({ min: -70, max: 170 }), fc.integer({ min: -70, max: 100 }))
    .map(([i, j]): Point => [0.317 * i + 0.013, 0.331 * j + 0.017]);
  const covers = (region: Region, at: Point) =>
    region.filter((outline) => isInside(at, outline)).length % 2 === 1;

  it('never leaves what is printed, however often the straight line does', () => {
    let found = 0;
    fc.assert(
      fc.property(fc.constantFrom(...shapes), place, place, (region, from, to) => {
        const way = wayWithin(from, to, region);
        if (!way) return;
        found++;
        expect(covers(region, from) && covers(region, to)).toBe(true);
        expect(staysIn([from, ...way, to], region)).toBe(true);
      }),
      { numRuns: 2000 },
    );
    expect(found).toBeGreaterThan(20);
  });

  it('is found from tooth to tooth of a comb, and from none to a place beside it', () => {
    const comb = shapes[3];
    expect(wayWithin([5, 28], [25, 28], comb)).toEqual([[10, 5], [20, 5]]); // oxfmt-ignore
    expect(wayWithin([5, 28], [45, 28], comb)!.length).toBeGreaterThan(1);
    expect(wayWithin([5, 28], [35, 28], comb)).toBeUndefined();
    expect(wayWithin([15, 28], [35, 28], comb)).toBeUndefined();
  });
});

describe('the way to a line', () => {
  const line = (x: number, y = 0): Path => ({ role: 'inside', points: [[x, y], [x, y + 0.1]], closed: false, widthMm: 0.45 }); // oxfmt-ignore
  const ring: Path = { role: 'wall', points: [[0, 0], [1, 0], [1, 1]], closed: true, widthMm: 0.45 }; // oxfmt-ignore
  const wayTo = (from: Path, to: Path, within: Region) => withWays([from, to], groundOf(within))[1].way;

  it('goes straight through the air, as if it were a way, up to two millimetres', () => {
    const apart: Region = [square(0.5), square(0.5, 2.3)];
    expect(wayTo(line(0, -0.1), line(1.9), apart)).toBeUndefined();
    expect(wayTo(line(0), line(5), [square(10)])).toEqual([]);
    // Shorter ones need no way: whether they cross is not looked at.
    expect(wayTo(line(0, -0.1), line(1.9), [square(10)])).toBeUndefined();
    expect(wayTo(line(0, -0.1), line(2.1), [square(10)])).toEqual([]);
  });

  it('begins where a closed line began, and where an open one ended', () => {
    const wall: Region = [square(20), circlePoints(0.3).toReversed()];
    expect(wayTo(ring, line(10), [square(20)])).toEqual([]);
    expect(wayTo({ ...ring, points: [[5, 0], [-15, 0], [-15, 1]] }, line(10), wall)).toEqual([]); // oxfmt-ignore
    expect(wayTo({ ...ring, points: [[5, 0], [-15, 0]], closed: false }, line(10), wall)!.length).toBeGreaterThan(0); // oxfmt-ignore
  });

  it('draws the filament back for a detour of more than four times the straight way', () => {
    const tall = (mm: number): Region => [[[0, 0], [30, 0], [30, mm], [22, mm], [22, 8], [8, 8], [8, mm], [0, mm]]]; // oxfmt-ignore
    // 18 mm straight, 14 mm between the arms, and down and up again: 2 · 28 + 14 < 72 < 2 · 32 + 14.
    expect(wayTo(line(6, 36.1), line(24, 36.2), tall(40))).toHaveLength(2);
    expect(wayTo(line(6, 40.1), line(24, 40.2), tall(44))).toBeUndefined();
  });
});
