import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fillLines } from '../layers/fillLines.ts';
import type { Outline, Point, Region } from '../../plane/index.ts';
import { inOrderOfTravel, pieceByPiece } from './order.ts';
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

describe('the order of pieces', () => {
  /** Pieces side by side, each with a wall around it and two lines that fill it. */
  const pieces = [0, 30, 15].map((x): Outline[] => [square(4).map(([px, py]): Point => [px + x, py])]);
  const at = (role: Path['role'], x: number, y: number): Path => ({
    role,
    closed: role === 'wall',
    widthMm: 0.45,
    points: [[x - 3, y], [x + 3, y], ...(role === 'wall' ? [[x, y + 3] as const] : [])],
  });
  const walls = [0, 30, 15].map((x) => at('wall', x, 0));
  const fill = [15, 0, 30].flatMap((x) => [at('inside', x, 1), at('inside', x, -1)]);

  it('finishes the walls and then the fill of a piece before it goes to the nearest one left', () => {
    const ordered = pieceByPiece(walls, fill, pieces);
    const places = ordered.map(({ role, points }) => [role, 15 * Math.round(points[0][0] / 15) + 0]);
    expect(places).toEqual([0, 15, 30].flatMap((x) => [['wall', x], ['inside', x], ['inside', x]])); // oxfmt-ignore
    expect(new Set(ordered.map(({ widthMm }) => widthMm)).size).toBe(1);
    expect(ordered).toHaveLength(walls.length + fill.length);
  });

  it('knows a piece in the opening of another from that', () => {
    const frame: Region = [square(20), square(10).toReversed()];
    const paths = pieceByPiece(
      [at('wall', 15, 15), at('wall', 0, 0)],
      [at('inside', 0, 1), at('inside', 15, 14)],
      [frame, [square(6)]],
    );
    expect(paths.map(({ points }) => points[0][0] > 8)).toEqual([true, true, false, false]);
    expect(paths.map(({ role }) => role)).toEqual(['wall', 'inside', 'wall', 'inside']);
  });

  it('has nothing to order where there is nothing, and fill alone where there are no walls', () => {
    expect(pieceByPiece([], [], pieces)).toEqual([]);
    expect(pieceByPiece([], fill, pieces)).toHaveLength(fill.length);
  });
});
