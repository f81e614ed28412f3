import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Outline, Point } from '../../plane/index.ts';
import { placeSeeingAll } from './seeingAll.ts';

/** Whether the way from a place to each corner of an outline crosses none of its edges. */
function seesCorners(place: Readonly<Point>, outline: Outline): boolean {
  const side = (a: Readonly<Point>, b: Readonly<Point>, c: Readonly<Point>) =>
    Math.sign((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]));
  return outline.every((corner) =>
    outline.every((to, i) => {
      const from = outline.at(i - 1)!;
      return (
        from === corner ||
        to === corner ||
        side(place, corner, from) === side(place, corner, to) ||
        side(from, to, place) === side(from, to, corner)
      );
    }),
  );
}

describe('the place from which all of an outline is seen', () => {
  it('is the middle of its box where that sees all of it', () => {
    expect(placeSeeingAll([[2, 3], [8, 3], [8, 7], [2, 7]])).toEqual([5, 5]); // oxfmt-ignore
  });

  it('is in the corner of an L, wherever that has its arms', () => {
    const arm: Outline = [[0, 0], [10, 0], [10, 2], [2, 2], [2, 10], [0, 10]]; // oxfmt-ignore
    for (let quarter = 0; quarter < 4; quarter++) {
      const turned = arm.map(([x, y]): Point => [[x, y], [-y, x], [-x, -y], [y, -x]][quarter] as [number, number]); // oxfmt-ignore
      const [x, y] = placeSeeingAll(turned)!;
      expect(Math.abs(x)).toBeGreaterThan(0);
      expect(Math.abs(x)).toBeLessThan(2);
      expect(Math.abs(y)).toBeGreaterThan(0);
      expect(Math.abs(y)).toBeLessThan(2);
    }
  });

  it('is none of a U, whose arms do not see each other', () => {
    expect(placeSeeingAll([[0, 0], [10, 0], [10, 10], [8, 10], [8, 2], [2, 2], [2, 10], [0, 10]])).toBeUndefined(); // oxfmt-ignore
  });

  it('is found for whatever is spread around a place, wherever that lies in its box', () => {
    const reaches = fc.array(fc.double({ min: 1, max: 12, noNaN: true }), { minLength: 5, maxLength: 24 });
    const places = fc.tuple(fc.integer({ min: -90, max: 90 }), fc.integer({ min: -90, max: 90 }));
    fc.assert(
      fc.property(reaches, places, (mm, [x, y]) => {
        const outline = mm.map((reach, i): Point => {
          const angle = (2 * Math.PI * i) / mm.length;
          return [x + reach * Math.cos(angle), y + reach * Math.sin(angle)];
        });
        const place = placeSeeingAll(outline);
        expect(place).toBeDefined();
        expect(seesCorners(place!, outline)).toBe(true);
      }),
    );
  });
});
