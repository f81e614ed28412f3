import fc from 'fast-check';
import { expect, it } from 'vitest';
import { nearestOnOutlines } from './nearestOnOutlines.ts';
import type { Outline, Point, Region } from './region.ts';

const far = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1]);
const coordinate = fc.integer({ min: -100, max: 100 }).map((tenths) => tenths / 10);
const point = fc.tuple(coordinate, coordinate);
const outline = fc.array(point, { minLength: 2, maxLength: 7 });

/** The place between two others nearest to a third, by halving the way where the distance falls. */
function nearestBetween(a: Point, b: Point, to: Point): Point {
  const at = (share: number): Point => [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])];
  let [low, high] = [0, 1];
  for (let i = 0; i < 60; i++) {
    const [first, second] = [low + (high - low) / 3, high - (high - low) / 3];
    if (far(at(first), to) <= far(at(second), to)) high = second;
    else low = first;
  }
  return at((low + high) / 2);
}

it('finds the nearest place on any of the outlines', () => {
  fc.assert(
    fc.property(fc.array(outline, { minLength: 1, maxLength: 3 }), point, (region: Region, to) => {
      const all = region.flatMap((each: Outline) =>
        each.map((from, i) => nearestBetween(from, each[(i + 1) % each.length], to)),
      );
      const found = nearestOnOutlines(to, region);
      expect(far(found, to)).toBeCloseTo(Math.min(...all.map((each) => far(each, to))), 5);
      expect(Math.min(...all.map((each) => far(each, found)))).toBeLessThan(1e-4);
    }),
  );
});

it('is the place itself where there are no outlines', () => {
  expect(nearestOnOutlines([3, 4], [])).toEqual([3, 4]);
});
