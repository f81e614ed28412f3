import fc from 'fast-check';
import { expect, it } from 'vitest';
import { isInside, OutlineRuns, type Outline, type Point } from './index.ts';

const place = fc.tuple(
  fc.double({ min: -12, max: 12, noNaN: true }),
  fc.double({ min: -12, max: 12, noNaN: true }),
);

/** Outlines of many corners, some of which cross themselves, as an even–odd rule allows. */
const outline: fc.Arbitrary<Outline> = fc
  .array(fc.double({ min: 1, max: 10, noNaN: true }), { minLength: 3, maxLength: 90 })
  .chain((radii) =>
    fc.integer({ min: 1, max: 3 }).map((turns) =>
      radii.map((radius, i): Point => {
        const angle = (2 * Math.PI * turns * i) / radii.length;
        return [radius * Math.cos(angle), radius * Math.sin(angle)];
      }),
    ),
  );

/** On corners and edges as often as beside them. */
const onGrid = fc.tuple(fc.integer({ min: -3, max: 3 }), fc.integer({ min: -3, max: 3 }));
const gridOutline: fc.Arbitrary<Outline> = fc.array(onGrid, { minLength: 3, maxLength: 40 });

it('holds the places that lie inside its outline', () => {
  fc.assert(
    fc.property(outline, fc.array(place, { maxLength: 20 }), (points, places) => {
      const runs = new OutlineRuns(points);
      for (const at of places) expect(runs.holds(at)).toBe(isInside(at, points));
    }),
  );
  fc.assert(
    fc.property(gridOutline, fc.array(onGrid, { maxLength: 20 }), (points, places) => {
      const runs = new OutlineRuns(points);
      for (const at of places) expect(runs.holds(at)).toBe(isInside(at, points));
    }),
  );
});

it('shows each edge that a way crosses or touches, and each once', () => {
  const onOutline = fc.tuple(outline, place, place);
  const onGridOutline = fc.tuple(gridOutline, onGrid, onGrid);
  // Shapes and ways far smaller than a millimetre as well; by a power of two, so that places stay on the grid.
  const all = fc.tuple(fc.oneof(onOutline, onGridOutline), fc.constantFrom(1, 1 / 64)).map(([of, by]) => {
    const scaled = ([x, y]: Point): Point => [by * x, by * y];
    return [of[0].map(scaled), scaled(of[1]), scaled(of[2])] as const;
  });
  fc.assert(
    fc.property(all, ([points, from, to]) => {
      const side = (a: readonly number[], b: readonly number[], [x, y]: readonly number[]) =>
        (b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0]);
      const overlap = (a: number, b: number, c: number, d: number) =>
        Math.max(Math.min(a, b), Math.min(c, d)) <= Math.min(Math.max(a, b), Math.max(c, d));
      const crossed = points.flatMap((a, edge) => {
        const b = points[(edge + 1) % points.length];
        const meet = side(from, to, a) * side(from, to, b) <= 0 && side(a, b, from) * side(a, b, to) <= 0;
        const isNear = overlap(from[0], to[0], a[0], b[0]) && overlap(from[1], to[1], a[1], b[1]);
        return meet && isNear ? [edge] : [];
      });
      const shown: number[] = [];
      new OutlineRuns(points).alongWay(from, to, (a, b, edge) => {
        expect([a, b]).toEqual([points[edge], points[(edge + 1) % points.length]]);
        shown.push(edge);
      });
      expect(new Set(shown).size).toBe(shown.length);
      expect(shown).toEqual(expect.arrayContaining(crossed));
    }),
  );
});

it('tells where along a way each edge is crossed, and of two edges that meet in a corner one', () => {
  fc.assert(
    fc.property(fc.oneof(outline, gridOutline), place, onGrid, (points, from, to) => {
      fc.pre(Math.hypot(to[0] - from[0], to[1] - from[1]) > 0.01);
      const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
      const shares = new Map<number, number>();
      new OutlineRuns(points).crossings(from, to, (share, edge) => {
        expect(shares.has(edge)).toBe(false);
        shares.set(edge, share);
        const [a, b] = [points[edge], points[(edge + 1) % points.length]];
        const [x, y] = [from[0] + share * dx, from[1] + share * dy];
        const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
        expect(Math.hypot(x - a[0], y - a[1]) + Math.hypot(x - b[0], y - b[1])).toBeCloseTo(length, 4);
      });
      const isInWay = (edge: number) => shares.get(edge)! > 0.001 && shares.get(edge)! < 0.999;
      const sideOf = ([x, y]: readonly number[]) => dx * (y - from[1]) - dy * (x - from[0]);
      points.forEach((a, edge) => {
        const b = points[(edge + 1) % points.length];
        const [sideA, sideB] = [sideOf(a), sideOf(b)];
        if (Math.min(Math.abs(sideA), Math.abs(sideB)) < 1e-6) return;
        if (sideA > 0 === sideB > 0) expect(shares.has(edge)).toBe(false);
        else {
          const share = sideA / (sideA - sideB);
          const [x, y] = [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])];
          const along = ((x - from[0]) * dx + (y - from[1]) * dy) / (dx * dx + dy * dy);
          if (along > 0.001 && along < 0.999) expect(isInWay(edge)).toBe(true);
        }
      });
    }),
  );
  // Through the corner of a square that stands on its tip: in by one edge, out by another, and none twice.
  const square = [[0, -1], [1, 0], [0, 1], [-1, 0]] as Outline; // oxfmt-ignore
  const found: number[] = [];
  new OutlineRuns(square).crossings([-3, 0], [3, 0], (share) => found.push(share));
  expect(found.map((share) => -3 + 6 * share)).toEqual(expect.arrayContaining([-1, 1]));
  expect(found).toHaveLength(2);
});

it('looks at few of the edges of a long outline', () => {
  const points = Array.from({ length: 4000 }, (_, i): Point => {
    const angle = (2 * Math.PI * i) / 4000;
    return [50 * Math.cos(angle), 50 * Math.sin(angle)];
  });
  let asked = 0;
  new OutlineRuns(points).alongWay([-60, 3], [60, 3], () => asked++);
  expect(asked).toBeLessThan(100);
  // Nor at any, for ways that pass it by: below, above, to the left, to the right, across a corner.
  asked = 0;
  for (const [from, to] of [
    [
      [-60, -51],
      [60, -52],
    ],
    [
      [-60, 52],
      [60, 51],
    ],
    [
      [-51, -60],
      [-52, 60],
    ],
    [
      [51, 60],
      [52, -60],
    ],
    [
      [20, 90],
      [90, 20],
    ],
    // On a line through its middle, but ending before it, on each side.
    [
      [-90, 1],
      [-51, 1],
    ],
    [
      [51, 1],
      [90, 1],
    ],
    [
      [1, -90],
      [1, -51],
    ],
    [
      [1, 51],
      [1, 90],
    ],
  ] as const)
    // oxfmt-ignore
    new OutlineRuns(points).alongWay(from, to, () => asked++);
  expect(asked).toBe(0);
});
