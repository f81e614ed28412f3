import fc from 'fast-check';
import { bentEdge } from '@kelbrin/core/plane';
import { expect, it } from 'vitest';
import { bendThrough, middleOf } from './bend';

it('is 100 for a half circle to the right of the way, −100 to the left, and 0 for a straight edge', () => {
  expect(bendThrough([0, 0], [0, 10], [5, 5])).toBe(100);
  expect(bendThrough([0, 0], [0, 10], [-5, 5])).toBe(-100);
  expect(bendThrough([0, 0], [0, 10], [0.1, 5])).toBe(0);
  expect(bendThrough([0, 0], [0, 10], [50, 5])).toBe(100);
});

it('is the bend whose edge runs through the point', () => {
  const even = fc.integer({ min: 2, max: 50 }).map((half) => 2 * half);
  fc.assert(
    fc.property(even, fc.boolean(), (percent, isLeft) => {
      const bend = isLeft ? -percent : percent;
      const edge = bentEdge([3, 4], [23, 12], bend / 100);
      expect(bendThrough([3, 4], [23, 12], middleOf([[3, 4], ...edge]))).toBeCloseTo(bend, -1);
    }),
  );
});

it('has its handle in its middle', () => {
  expect(middleOf([[0, 0], [10, 4]])).toEqual([5, 2]); // oxfmt-ignore
  expect(middleOf([[0, 0], [5, 5], [10, 0]])).toEqual([5, 5]); // oxfmt-ignore
});
