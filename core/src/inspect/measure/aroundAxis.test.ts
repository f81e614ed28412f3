import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Vec3 } from '../../mesh/index.ts';
import { AlongAxis, squareTo, wrapOf } from './aroundAxis.ts';

const mm = fc.integer({ min: -500, max: 500 }).map((tenths) => tenths / 10);
const direction: fc.Arbitrary<Vec3> = fc
  .tuple(mm, mm, mm)
  .filter((way) => Math.hypot(...way) > 1)
  .map(([x, y, z]) => {
    const long = Math.hypot(x, y, z);
    return [x / long, y / long, z / long];
  });

it('a place seen along an axis is found again by where it is seen and how far along it lies', () => {
  fc.assert(
    fc.property(direction, mm, mm, mm, (axis, x, y, z) => {
      const along = new AlongAxis(axis);
      const positions = Float32Array.from([9, 9, 9, x, y, z]);
      const flat = along.flat(positions, 1);
      const height = along.height(positions, 1);
      expect(height).toBeCloseTo(x * axis[0] + y * axis[1] + z * axis[2], 3);
      along.place(flat, height).forEach((each, i) => expect(each).toBeCloseTo([x, y, z][i], 3));
      along.flatOf([x, y, z]).forEach((each, i) => expect(each).toBeCloseTo(flat[i], 3));
      // The axis itself is seen as a point.
      along.flatOf(axis).forEach((each) => expect(each).toBeCloseTo(0, 9));
    }),
  );
});

describe('how far facets go around', () => {
  const facets = (fromDeg: number, toDeg: number, stepDeg: number) =>
    Array.from({ length: Math.round((toDeg - fromDeg) / stepDeg) }, (_, i) =>
      [0, 1, 0.5].map((share) => {
        const rad = ((fromDeg + (i + share) * stepDeg) * Math.PI) / 180;
        // As they come from an arc tangent, between −180° and 180°.
        return Math.atan2(Math.sin(rad), Math.cos(rad));
      }),
    );

  it('is what they cover of 360°, wherever they begin', () => {
    for (const begin of [0, 90, 170, -175, 359]) {
      expect(wrapOf(facets(begin, begin + 360, 15))).toBe(360);
      expect(Math.abs(wrapOf(facets(begin, begin + 180, 15)) - 180)).toBeLessThanOrEqual(2);
      expect(Math.abs(wrapOf(facets(begin, begin + 30, 10)) - 30)).toBeLessThanOrEqual(2);
    }
    expect(wrapOf([])).toBe(0);
  });

  it('counts what two of them cover once, and what none covers not', () => {
    const twice = [...facets(10, 100, 15), ...facets(40, 130, 15)];
    expect(Math.abs(wrapOf(twice) - 120)).toBeLessThanOrEqual(2);
    const apart = [...facets(10, 40, 15), ...facets(200, 230, 15)];
    expect(Math.abs(wrapOf(apart) - 60)).toBeLessThanOrEqual(2);
  });
});

it('facets are square to an axis within an angle, whichever way they look', () => {
  const lean = (deg: number) => [Math.cos((deg * Math.PI) / 180), 0, Math.sin((deg * Math.PI) / 180)];
  const normals = Float64Array.from([0, 4, 6, 90, -4, -6].flatMap(lean));
  expect(squareTo(normals, [0, 1, 2, 3, 4, 5], [0, 0, 1], Math.sin((5 * Math.PI) / 180))).toEqual([0, 1, 4]);
  expect(squareTo(normals, [2, 3], [0, 0, 1], Math.sin((5 * Math.PI) / 180))).toEqual([]);
});
