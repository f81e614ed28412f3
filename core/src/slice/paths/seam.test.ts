import { describe, expect, it } from 'vitest';
import { circlePoints, type Outline } from '../../plane/index.ts';
import fc from 'fast-check';
import { fromMarkedSeam, fromSeam, fromSpreadSeam, SPREAD_TURNS } from './seam.ts';

const square: Outline = [
  [0, 0],
  [10, 0],
  [10, 10],
  [0, 10],
];

const lengthOf = (line: readonly (readonly [number, number])[]) =>
  line.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = line[(i + 1) % line.length];
    return sum + Math.hypot(nextX - x, nextY - y);
  }, 0);

describe('the seam of a line around an outline', () => {
  it('is at a corner at the back of a square, wherever its outline begins', () => {
    for (let i = 0; i < 4; i++) {
      expect(fromSeam([...square.slice(i), ...square.slice(0, i)])[0]).toEqual([0, 10]);
    }
  });

  it('hides in an inward corner, even of one further in front', () => {
    const notched: Outline = [
      [0, 0],
      [4, 0],
      [4, 3],
      [6, 3],
      [6, 0],
      [10, 0],
      [10, 10],
      [0, 10],
    ];
    expect(fromSeam(notched)[0]).toEqual([4, 3]);
  });

  it('is on a corner in front rather than on a round back', () => {
    const back = circlePoints(5).filter(([, y]) => y > -0.1);
    const arch: Outline = [[-5, -6], [5, -6], ...back]; // oxfmt-ignore
    expect(fromSeam(arch)[0]).toEqual([-5, -6]);
  });

  it('is at the back of a circle, and above itself in a larger one', () => {
    for (const radius of [4, 5, 6]) {
      const [x, y] = fromSeam(circlePoints(radius))[0];
      expect(y).toBeGreaterThan(radius - 0.06);
      expect(Math.abs(x)).toBeLessThan(0.8);
    }
  });

  it('is at the back where that is wished, corner or not', () => {
    const back = circlePoints(5).filter(([, y]) => y > -0.1);
    const arch: Outline = [[-5, -6], [5, -6], ...back]; // oxfmt-ignore
    expect(fromSeam(arch, 'behind')[0][1]).toBeGreaterThan(4.9);
  });

  it('is where the outline is nearest to a mark, on a corner or between two', () => {
    expect(fromMarkedSeam(square, [4, -3])).toEqual([[4, 0], [10, 0], [10, 10], [0, 10], [0, 0]]); // oxfmt-ignore
    expect(fromMarkedSeam(square, [-2, 5])[0]).toEqual([0, 5]);
    expect(fromMarkedSeam(square, [12, 13])).toEqual([[10, 10], [0, 10], [0, 0], [10, 0]]); // oxfmt-ignore
    const place = fc.double({ min: -20, max: 20, noNaN: true });
    fc.assert(
      fc.property(place, place, fc.double({ min: 1, max: 15, noNaN: true }), (x, y, radius) => {
        const circle = circlePoints(radius);
        const begun = fromMarkedSeam(circle, [x, y]);
        expect(lengthOf(begun)).toBeCloseTo(lengthOf(circle), 6);
        expect(
          circle.every((point) =>
            begun.some((each) => Math.hypot(each[0] - point[0], each[1] - point[1]) < 0.02),
          ),
        ).toBe(true);
        const mm = (to: readonly [number, number]) => Math.hypot(to[0] - x, to[1] - y);
        expect(mm(begun[0])).toBeLessThan(Math.min(...circle.map(mm)) + 0.011);
      }),
    );
  });

  it('is spread over the outline, which stays as it is', () => {
    const starts = Array.from({ length: SPREAD_TURNS }, (_, turn) => fromSpreadSeam(square, turn)[0]);
    for (const [i, [x, y]] of starts.entries())
      for (const [otherX, otherY] of starts.slice(i + 1))
        expect(Math.hypot(x - otherX, y - otherY)).toBeGreaterThan(2);
    fc.assert(
      fc.property(fc.nat(200), fc.double({ min: 1, max: 30, noNaN: true }), (turn, radius) => {
        const circle = circlePoints(radius);
        expect(lengthOf(fromSpreadSeam(circle, turn))).toBeCloseTo(lengthOf(circle), 6);
      }),
    );
  });

  it('keeps the outline as it is', () => {
    expect(fromSeam(square).toSorted()).toEqual(square.toSorted());
  });
});
