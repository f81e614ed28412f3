import fc from 'fast-check';
import { expect, it } from 'vitest';
import { star } from '../../test/star.ts';
import { EdgeGrid, nearestOn, shareNearest, toEdgeMm } from './index.ts';

const place = fc.tuple(
  fc.double({ min: -9, max: 9, noNaN: true }),
  fc.double({ min: -9, max: 9, noNaN: true }),
);

it('knows how far an edge is: beside it, beyond either end, and where it has no length', () => {
  expect(toEdgeMm(3, 4, 0, 0, 10, 0)).toBe(4);
  expect(toEdgeMm(-3, 4, 0, 0, 10, 0)).toBe(5);
  expect(toEdgeMm(13, 4, 0, 0, 10, 0)).toBe(5);
  expect(toEdgeMm(4, 5, 1, 1, 1, 1)).toBe(5);
  expect(toEdgeMm(2, 0, 0, -2, 0, 8)).toBe(2);
  expect(shareNearest(2.5, 7, 0, 0, 10, 0)).toBe(0.25);
  expect(shareNearest(99, 7, 0, 0, 10, 0)).toBe(1);
  expect(shareNearest(99, 7, 3, 3, 3, 3)).toBe(0);
});

it('finds the nearest place on a region’s edges, as many places along all of them would', () => {
  fc.assert(
    fc.property(star({ corners: 8, leastMm: 2, mostMm: 8 }), place, (region, [x, y]) => {
      const { mm, nearest } = nearestOn(new EdgeGrid(region, 20), [x, y]);
      const [outline] = region;
      const away = outline.map((from, i) => toEdgeMm(x, y, ...from, ...outline[(i + 1) % outline.length]));
      expect(mm).toBeCloseTo(Math.min(...away), 9);
      expect(Math.hypot(nearest[0] - x, nearest[1] - y)).toBeCloseTo(mm, 9);
      const onEdge = outline.map((from, i) =>
        toEdgeMm(...nearest, ...from, ...outline[(i + 1) % outline.length]),
      );
      expect(Math.min(...onEdge)).toBeLessThan(1e-9);
    }),
  );
  expect(nearestOn(new EdgeGrid([], 5), [1, 2])).toEqual({ mm: Infinity, nearest: [1, 2] });
});
