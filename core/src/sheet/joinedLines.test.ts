import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from '../plane/index.ts';
import { joinedLines, type SeenLine } from './joinedLines.ts';

const lengthOf = (way: readonly Point[]) =>
  way.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - way[i][0], y - way[i][1]), 0);
const total = (ways: readonly (readonly Point[])[]) => ways.reduce((sum, way) => sum + lengthOf(way), 0);

describe('lines of a view', () => {
  it('are one way where they meet end to end', () => {
    const corners: Point[] = [
      [0, 0],
      [4, 0],
      [4, 3],
      [0, 3],
    ];
    const { seen } = joinedLines(
      corners.map((from, i) => ({ from, to: corners[(i + 1) % 4], isHidden: false })),
    );
    expect(seen).toHaveLength(1);
    expect(seen[0]).toHaveLength(5);
    expect(seen[0][0]).toEqual(seen[0][4]);
  });

  it('end where more than two meet, so that dashes begin there', () => {
    const way = (to: Point): SeenLine => ({ from: [0, 0], to, isHidden: true });
    expect(joinedLines([way([5, 0]), way([0, 5]), way([-5, 1])]).hidden).toHaveLength(3);
  });

  it('are drawn once where they lie in each other, and what is seen hides what lies behind it', () => {
    // Whole numbers along a line at any angle, so that what is covered can be counted.
    const piece = fc.record({
      from: fc.nat(30),
      long: fc.integer({ min: 1, max: 12 }),
      isHidden: fc.boolean(),
    });
    fc.assert(
      fc.property(
        fc.array(piece, { minLength: 1, maxLength: 12 }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (pieces, angle) => {
          const at = (mm: number): Point => [5 + mm * Math.cos(angle), -2 + mm * Math.sin(angle)];
          const { seen, hidden } = joinedLines(
            pieces.map(({ from, long, isHidden }) => ({ from: at(from), to: at(from + long), isHidden })),
          );
          const covered = (isHidden: boolean) =>
            Array.from({ length: 50 }, (_, k) =>
              pieces.some(
                (each) => each.isHidden === isHidden && each.from <= k && k < each.from + each.long,
              ),
            );
          const [front, back] = [covered(false), covered(true)];
          expect(total(seen)).toBeCloseTo(front.filter(Boolean).length, 6);
          expect(total(hidden)).toBeCloseTo(back.filter((is, k) => is && !front[k]).length, 6);
        },
      ),
      { numRuns: 150 },
    );
  });
});
