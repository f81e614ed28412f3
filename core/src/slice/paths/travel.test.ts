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
  const [first, inside, around, away] = withWays([dot(4, 28), dot(4, 20), dot(26, 28), dot(58, 0)], region);
  expect(first.way).toBeUndefined();
  expect(inside.way).toEqual([]);
  expect(around.way).toHaveLength(2);
  expect(away.way).toBeUndefined();
});
