import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { star } from '../../test/star.ts';
import {
  circlePoints,
  isInside,
  narrowestMm,
  scaled,
  toEdgeMm,
  turned,
  type Outline,
  type Point,
  type Region,
} from './index.ts';

const rectangle = (width: number, depth: number, x = 0, y = 0): Outline => [
  [x, y],
  [x + width, y],
  [x + width, y + depth],
  [x, y + depth],
];
const reversed = (outline: Outline) => outline.toReversed();
const moved = (outline: Outline, dx: number, dy: number): Outline =>
  outline.map(([x, y]) => [x + dx, y + dy]);

describe('how narrow a region is at least', () => {
  it.each<[string, Region, number]>([
    ['a bar', [rectangle(30, 2)], 2],
    ['a broad plate', [rectangle(30, 20)], 5],
    ['a wall beside a window', [rectangle(30, 20), reversed(rectangle(10, 10, 10, 8.5))], 1.5],
    [
      'two windows in a plate',
      [rectangle(40, 20), ...[5, 16].map((x) => reversed(rectangle(10, 8, x, 6)))],
      1,
    ],
    ['a slot between two broad halves', [rectangle(10, 20), rectangle(10, 20, 10.5)], 5],
    ['a round hole near an edge', [rectangle(30, 20), reversed(moved(circlePoints(4), 15, 5))], 1],
    ['two square holes corner to corner', [rectangle(40, 40), ...diamonds()], 0.8],
    ['a hexagon, whose corners are wide', [circle(6, 8)], 5],
    [
      'a triangle with a sharp tip',
      [
        [
          [0, 0],
          [20, 0],
          [20, 8],
        ],
      ],
      0,
    ],
    [
      'a needle of a notch',
      [
        [
          [0, 0],
          [30, 0],
          [30, 20],
          [15.2, 20],
          [15, 10],
          [14.8, 20],
          [0, 20],
        ],
      ],
      0,
    ],
  ])('%s', (_, region, mm) => {
    for (const degrees of [0, 33, 121.7]) {
      expect(narrowestMm(turned(region, degrees), 5)).toBeCloseTo(mm, 2);
    }
  });

  it('is no more than any circle that touches both sides', () => {
    const wave = fc.record({
      gapMm: fc.double({ min: 0.3, max: 4, noNaN: true }),
      highMm: fc.double({ min: 0, max: 1, noNaN: true }),
      phase: fc.double({ min: 0, max: 6, noNaN: true }),
    });
    fc.assert(
      fc.property(wave, ({ gapMm, highMm, phase }) => {
        const lower = Array.from({ length: 81 }, (_, i): [number, number] => [
          i / 2,
          highMm * Math.sin(i / 6),
        ]);
        const upper = lower.map(([x], i): [number, number] => [
          x,
          gapMm + 1 + highMm + highMm * Math.sin(i / 6 + phase),
        ]);
        // No two points of the two sides are nearer than they are straight above each other, times how steep they are.
        const apart = Math.min(...lower.flatMap(([x, y]) => upper.map(([u, v]) => Math.hypot(u - x, v - y))));
        expect(narrowestMm([[...lower, ...upper.toReversed()]], 3)).toBeLessThanOrEqual(
          Math.min(3, apart) + 1e-9,
        );
      }),
    );
  });
});

it('is what the slowest way finds: every pair of edges that face each other, by many places on both', () => {
  const edgesOf = (region: Region) =>
    region.flatMap((outline) => outline.map((from, i) => [from, outline[(i + 1) % outline.length]] as const));
  const inward = ([[ax, ay], [bx, by]]: readonly [Point, Point]): Point => {
    const long = Math.hypot(bx - ax, by - ay);
    return [-(by - ay) / long, (bx - ax) / long];
  };
  const slowest = (region: Region, upToMm: number) => {
    let least = upToMm;
    const edges = edgesOf(region);
    for (const one of edges) {
      for (const other of edges) {
        const [n, m] = [inward(one), inward(other)];
        if (n[0] * m[0] + n[1] * m[1] >= -0.45) continue;
        const isBefore = (way: Point, [x, y]: Point, ends: readonly Point[]) =>
          ends.some(([u, v]) => way[0] * (u - x) + way[1] * (v - y) > 1e-6);
        if (!isBefore(n, one[0], other) || !isBefore(m, other[0], one)) continue;
        for (let i = 0; i <= 200; i++) {
          const at = one[0].map((from, axis) => from + (i / 200) * (one[1][axis] - from));
          least = Math.min(least, toEdgeMm(at[0], at[1], ...other[0], ...other[1]));
        }
      }
    }
    return least;
  };
  fc.assert(
    fc.property(
      star({ corners: 9, leastMm: 3, mostMm: 9 }),
      fc.integer({ min: 1, max: 8 }),
      (outer, eighth) => {
        const middle: Point = [eighth / 16, 0];
        const hole = moved(circlePoints(1), ...middle).toReversed();
        const [outline] = outer;
        const clearMm = Math.min(
          ...outline.map((from, i) => toEdgeMm(...middle, ...from, ...outline[(i + 1) % outline.length])),
        );
        const hasHole = isInside(middle, outline) && clearMm > 1.05;
        for (const region of hasHole ? [outer, [...outer, hole]] : [outer]) {
          const found = narrowestMm(region, 3);
          // A notch that is too sharp is not measured.
          if (found > 0) expect(found).toBeCloseTo(slowest(region, 3), 2);
        }
      },
    ),
    { numRuns: 60 },
  );
});

it('looks along all of a long edge', () => {
  for (const x of [0.5, 7, 19.9, 33, 39]) {
    const dent: Outline = [[0, 0], [40, 0], [40, 10], [x + 0.5, 10], [x, 2], [x - 0.5, 10], [0, 10]]; // oxfmt-ignore
    const notch: Outline = [[0, 0], [40, 0], [40, 10], [x + 9, 10], [x, 2], [x - 9, 10], [0, 10]]; // oxfmt-ignore
    expect(narrowestMm([dent], 5)).toBe(0);
    if (x > 9 && x < 31) {
      expect(narrowestMm([notch], 5)).toBeCloseTo(2, 6);
      // Also where what is looked for is far below a millimetre.
      expect(narrowestMm(scaled([notch], 0.05), 0.25)).toBeCloseTo(0.1, 6);
    }
  }
});

it('looks along two long edges that come near each other at one of their ends', () => {
  const wedge: Outline = [[0, 0], [40, 0], [40, 12], [0, 0.08]]; // oxfmt-ignore
  for (const degrees of [0, 90, 200]) expect(narrowestMm(turned([wedge], degrees), 0.1)).toBeCloseTo(0.08, 6);
});

/** Two square holes that stand on a corner, 0.8 mm from each other. */
function diamonds(): Outline[] {
  const diamond = (x: number): Outline =>
    reversed([
      [x - 5, 20],
      [x, 15],
      [x + 5, 20],
      [x, 25],
    ]);
  return [diamond(14.6), diamond(25.4)];
}

function circle(sides: number, radiusMm: number): Outline {
  return Array.from({ length: sides }, (_, i) => {
    const angle = (2 * Math.PI * i) / sides;
    return [radiusMm * Math.cos(angle), radiusMm * Math.sin(angle)] as const;
  });
}

it('is 0 beside a notch whose sides turn by more than 120°, however unlike they are in length', () => {
  const notched = (turnDeg: number, [one, other]: readonly [number, number]): Region => {
    const half = ((180 - turnDeg) / 2) * (Math.PI / 180);
    const side = (mm: number, way: 1 | -1): [number, number] => [40 + way * mm * Math.sin(half), 10 + mm * Math.cos(half)]; // oxfmt-ignore
    const [right, left] = [side(one, 1), side(other, -1)];
    return [[[0, 0], [80, 0], [80, right[1]], right, [40, 10], left, [0, left[1]]]];
  };
  for (const lengths of [
    [20, 2],
    [2, 20],
    [5, 5],
  ] as const) {
    expect(narrowestMm(notched(124, lengths), 5)).toBe(0); // oxfmt-ignore
    expect(narrowestMm(notched(116, lengths), 5)).toBeGreaterThan(1);
  }
});
