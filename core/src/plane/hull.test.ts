import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  convexHull,
  depthInHull,
  isInside,
  narrowestWidth,
  signedAreaOf,
  turned,
  type Point,
} from './index.ts';

const rectangle: Point[] = [[0, 0], [8, 0], [8, 3], [0, 3]]; // oxfmt-ignore
const point = fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 }));

describe('a hull', () => {
  it('holds all its points and turns one way', () => {
    fc.assert(
      fc.property(fc.array(point, { minLength: 3, maxLength: 40 }), (points) => {
        const hull = convexHull(points);
        fc.pre(hull.length > 2);
        expect(signedAreaOf(hull)).toBeGreaterThan(0);
        for (const each of points) expect(depthInHull(each, points)).toBeGreaterThan(-1e-9);
      }),
    );
  });

  it('is as narrow as its shorter side, however it is turned', () => {
    for (const deg of [0, 17, 45, 90]) expect(narrowestWidth(turned([rectangle], deg)[0])).toBeCloseTo(3, 9);
    expect(narrowestWidth([[0, 0], [5, 5], [9, 9]])).toBe(0); // oxfmt-ignore
  });

  it('knows how deep a place lies in it, or how far outside', () => {
    expect(depthInHull([4, 1], rectangle)).toBeCloseTo(1, 9);
    expect(depthInHull([4, -2], rectangle)).toBeCloseTo(-2, 9);
    // Far from the origin as well, and where some of the points are the same.
    const moved = [...rectangle, ...rectangle].map(([x, y]): Point => [x + 70, y - 40]);
    expect(depthInHull([72, -39], moved)).toBeCloseTo(1, 9);
    expect(depthInHull([70.5, -38], moved)).toBeCloseTo(0.5, 9);
    expect(narrowestWidth(moved)).toBeCloseTo(3, 9);
  });

  it('has all corners of what is small', () => {
    const small = rectangle.map(([x, y]): Point => [x / 20, y / 20]);
    expect(convexHull(small)).toHaveLength(4);
    expect(narrowestWidth(small)).toBeCloseTo(0.15, 9);
  });
});

it('a place is inside an outline, or not, also beside its hollows', () => {
  const hook: Point[] = [[0, 0], [6, 0], [6, 6], [4, 6], [4, 2], [0, 2]]; // oxfmt-ignore
  expect([[1, 1], [5, 5], [2, 4], [-1, 1]].map((each) => isInside(each as Point, hook))).toEqual([true, true, false, false]); // oxfmt-ignore
});
