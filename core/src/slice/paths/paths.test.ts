import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fillLines } from '../layers/fillLines.ts';
import { inOrderOfTravel } from './order.ts';
import type { Path } from './toolpath.ts';

const square = (size: number): [number, number][] => [
  [-size, -size],
  [size, -size],
  [size, size],
  [-size, size],
];
const lengthOf = ({ points }: Path) => Math.hypot(points[1][0] - points[0][0], points[1][1] - points[0][1]);

describe('filling', () => {
  it('lays lines whose length times their spacing is the area, at any angle', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 179 }),
        fc.double({ min: 0.2, max: 0.6, noNaN: true }),
        (angle, spacing) => {
          const lines = fillLines([square(10)], angle, spacing, 'closed');
          const laid = lines.reduce((sum, line) => sum + lengthOf(line), 0) * spacing;
          expect(laid / 400).toBeGreaterThan(0.96);
          expect(laid / 400).toBeLessThan(1.04);
        },
      ),
    );
  });

  it('stays inside and out of the openings', () => {
    const ring = [square(10), square(4).toReversed()];
    for (const { points } of fillLines(ring, 30, 0.5, 'inside')) {
      const [[ax, ay], [bx, by]] = points;
      for (let t = 0.01; t < 1; t += 0.07) {
        const [x, y] = [ax + t * (bx - ax), ay + t * (by - ay)].map(Math.abs);
        expect(Math.max(x, y)).toBeLessThan(10.000001);
        expect(Math.max(x, y)).toBeGreaterThan(3.999999);
      }
    }
  });

  it('keeps the lines of every other layer above each other', () => {
    const rows = (size: number) =>
      new Set(fillLines([square(size)], 0, 1, 'inside').map(({ points }) => points[0][1]));
    for (const row of rows(5)) expect(rows(8)).toContain(row);
  });

  it('has nothing to fill in nothing', () => {
    expect(fillLines([], 45, 0.4, 'closed')).toEqual([]);
  });
});

describe('the order of travel', () => {
  const path: fc.Arbitrary<Path> = fc.record({
    role: fc.constant('closed' as const),
    closed: fc.boolean(),
    widthMm: fc.constant(0.45),
    points: fc.array(fc.tuple(fc.integer({ min: 0, max: 99 }), fc.integer({ min: 0, max: 99 })), {
      minLength: 2,
      maxLength: 6,
    }),
  });

  it('keeps every path and all its points', () => {
    fc.assert(
      fc.property(fc.array(path, { maxLength: 12 }), (paths) => {
        const content = (all: readonly Path[]) =>
          all.map(({ points }) => JSON.stringify([...points].sort())).sort();
        expect(content(inOrderOfTravel(paths))).toEqual(content(paths));
      }),
    );
  });

  it('travels no further than the order it was given, for lines in a row laid back and forth', () => {
    const rows: Path[] = Array.from({ length: 10 }, (_, i) => ({
      role: 'closed',
      closed: false,
      widthMm: 0.45,
      points: [
        [0, i],
        [20, i],
      ],
    }));
    const travel = (paths: readonly Path[]) =>
      paths.slice(1).reduce((sum, { points: [[x, y]] }, i) => {
        const [px, py] = paths[i].points.at(-1)!;
        return sum + Math.hypot(x - px, y - py);
      }, 0);
    expect(travel(inOrderOfTravel(rows))).toBe(9);
    expect(travel(rows)).toBeGreaterThan(180);
  });
});
