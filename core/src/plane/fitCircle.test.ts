import fc from 'fast-check';
import { expect, it } from 'vitest';
import { fitCircle } from './fitCircle.ts';

const coordinate = fc.double({ min: -200, max: 200, noNaN: true });

it('finds the circle that points lie on, from an arc as from the whole', () => {
  const radius = fc.double({ min: 0.5, max: 50, noNaN: true });
  const sweep = fc.double({ min: 1, max: 2 * Math.PI, noNaN: true });
  fc.assert(
    fc.property(coordinate, coordinate, radius, sweep, (x, y, r, turn) => {
      const points = Array.from({ length: 24 }, (_, i): [number, number] => {
        const at = (turn * i) / 24;
        return [x + r * Math.cos(at), y + r * Math.sin(at)];
      });
      const circle = fitCircle(points)!;
      expect(circle.radius).toBeCloseTo(r, 4);
      expect(circle.middle[0]).toBeCloseTo(x, 4);
      expect(circle.middle[1]).toBeCloseTo(y, 4);
    }),
  );
});

it('finds the circle through three places, however small or large', () => {
  for (const mm of [0.01, 1, 5000]) {
    const { middle, radius } = fitCircle([[3 + mm, 4], [3, 4 + mm], [3 - mm, 4]])!; // oxfmt-ignore
    expect(radius / mm).toBeCloseTo(1, 6);
    expect(middle[0]).toBeCloseTo(3, 6);
    expect(middle[1]).toBeCloseTo(4, 6);
  }
});

it('finds the circle from which places differ least in their squares', () => {
  // Two pairs on a circle of 10 mm and one of 12 mm around the same middle: r² is the mean of 100 and 144.
  const { middle, radius } = fitCircle([[10, 0], [-10, 0], [0, 12], [0, -12]])!; // oxfmt-ignore
  expect(middle).toEqual([0, 0]);
  expect(radius).toBeCloseTo(Math.sqrt(122), 9);
});

it('finds no circle in two points or in points on a line', () => {
  expect(fitCircle([[0, 0], [1, 1]])).toBeUndefined(); // oxfmt-ignore
  expect(fitCircle([[0, 0], [1, 1], [2, 2], [5, 5]])).toBeUndefined(); // oxfmt-ignore
  expect(fitCircle([[7, 0], [7, 3], [7, 5]])).toBeUndefined(); // oxfmt-ignore
});
