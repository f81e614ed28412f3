import fc from 'fast-check';
import { expect, it } from 'vitest';
import { signedAreaOf, type Region } from '../../plane/index.ts';
import { apartMm, circleOf, comesNear } from './stem.ts';

const stem = { x: 12, y: -7, radiusMm: 1.5 };

it('is drawn as a circle around its middle, as large as it is or as is asked for', () => {
  for (const [circle, radius] of [[circleOf(stem), 1.5], [circleOf(stem, 4), 4]] as const) {
    expect(circle).toHaveLength(16);
    for (const [x, y] of circle) expect(Math.hypot(x - 12, y + 7)).toBeCloseTo(radius, 9);
    // A regular polygon of 16 corners, counter-clockwise.
    expect(signedAreaOf(circle)).toBeCloseTo(8 * radius ** 2 * Math.sin(Math.PI / 8), 9);
  } // oxfmt-ignore
});

it('is as far from another as their middles are', () => {
  expect(apartMm(stem, { x: 15, y: -3, radiusMm: 9 })).toBe(5);
});

it('comes near a region by its own outline, and always within it', () => {
  const square: Region = [[[0, 0], [10, 0], [10, 10], [0, 10]]]; // oxfmt-ignore
  const place = fc.tuple(fc.integer({ min: -80, max: 180 }), fc.integer({ min: -80, max: 180 }));
  fc.assert(
    fc.property(
      place,
      fc.constantFrom(0.5, 2),
      fc.constantFrom(0, 0.7),
      ([tenthsX, tenthsY], radiusMm, mm) => {
        const [x, y] = [tenthsX / 10, tenthsY / 10];
        const isIn = x > 0 && x < 10 && y > 0 && y < 10;
        const away = Math.hypot(Math.max(0, -x, x - 10), Math.max(0, -y, y - 10));
        fc.pre(Math.abs(away - radiusMm - mm) > 1e-6);
        expect(comesNear({ x, y, radiusMm }, square, mm)).toBe(isIn || away < radiusMm + mm);
      },
    ),
  );
  expect(comesNear(stem, [])).toBe(false);
});
