import fc from 'fast-check';
import { expect, it } from 'vitest';
import { isInside, OutlineRuns, type Outline, type Point } from './index.ts';

const place = fc.tuple(
  fc.double({ min: -12, max: 12, noNaN: true }),
  fc.double({ min: -12, max: 12, noNaN: true }),
);

/** Outlines of many corners, some of which cross themselves, as an even–odd rule allows. */
const outline: fc.Arbitrary<Outline> = fc
  .array(fc.double({ min: 1, max: 10, noNaN: true }), { minLength: 3, maxLength: 90 })
  .chain((radii) =>
    fc.integer({ min: 1, max: 3 }).map((turns) =>
      radii.map((radius, i): Point => {
        const angle = (2 * Math.PI * turns * i) / radii.length;
        return [radius * Math.cos(angle), radius * Math.sin(angle)];
      }),
    ),
  );

it('holds the places that lie inside its outline', () => {
  fc.assert(
    fc.property(outline, fc.array(place, { maxLength: 20 }), (points, places) => {
      const runs = new OutlineRuns(points);
      for (const at of places) expect(runs.holds(at)).toBe(isInside(at, points));
    }),
  );
});

it('shows each edge that a way crosses, and each once', () => {
  fc.assert(
    fc.property(outline, place, place, (points, from, to) => {
      const side = (a: readonly number[], b: readonly number[], [x, y]: readonly number[]) =>
        (b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0]);
      const crossed = points.flatMap((a, edge) => {
        const b = points[(edge + 1) % points.length];
        const parts = side(from, to, a) * side(from, to, b) < 0 && side(a, b, from) * side(a, b, to) < 0;
        return parts ? [edge] : [];
      });
      const shown: number[] = [];
      new OutlineRuns(points).alongWay(from, to, (a, b, edge) => {
        expect([a, b]).toEqual([points[edge], points[(edge + 1) % points.length]]);
        shown.push(edge);
      });
      expect(new Set(shown).size).toBe(shown.length);
      expect(shown).toEqual(expect.arrayContaining(crossed));
    }),
  );
});

it('looks at few of the edges of a long outline', () => {
  const points = Array.from({ length: 4000 }, (_, i): Point => {
    const angle = (2 * Math.PI * i) / 4000;
    return [50 * Math.cos(angle), 50 * Math.sin(angle)];
  });
  let asked = 0;
  new OutlineRuns(points).alongWay([-60, 3], [60, 3], () => asked++);
  expect(asked).toBeLessThan(100);
});
