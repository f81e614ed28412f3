import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isInside, moved, turned, type Point, type Region } from '../plane/index.ts';
import { conflictsOf, distanceBetween } from './conflicts.ts';
import { layOut } from './layOut.ts';
import type { Placeable, Plate } from './placement.ts';

const box = (width: number, depth: number): Region => [
  [[-width / 2, -depth / 2], [width / 2, -depth / 2], [width / 2, depth / 2], [-width / 2, depth / 2]], // oxfmt-ignore
];
const size = fc.integer({ min: 1, max: 30 });
const place = fc.record({
  size: fc.tuple(size, size),
  xMm: fc.integer({ min: -40, max: 40 }),
  yMm: fc.integer({ min: -40, max: 40 }),
  turnDeg: fc.integer({ min: 0, max: 359 }),
});

/** Places along the sides of a region, close together. */
function along(region: Region, stepMm: number): Point[] {
  return region.flatMap((outline) =>
    outline.flatMap(([ax, ay], i) => {
      const [bx, by] = outline[(i + 1) % outline.length];
      const steps = Math.ceil(Math.hypot(bx - ax, by - ay) / stepMm);
      return Array.from({ length: steps }, (_, k): Point => [
        ax + ((bx - ax) * k) / steps,
        ay + ((by - ay) * k) / steps,
      ]);
    }),
  );
}

describe('how far parts are apart', () => {
  it('is how near places on their sides come, and nothing where one lies on the other', () => {
    const stepMm = 0.25;
    fc.assert(
      fc.property(place, place, (a, b) => {
        const [one, other] = [a, b].map((each) =>
          moved(turned(box(...each.size), each.turnDeg), each.xMm, each.yMm),
        );
        const [ofOne, ofOther] = [along(one, stepMm), along(other, stepMm)];
        const overlap = ofOne.some((p) => isInside(p, other[0])) || ofOther.some((p) => isInside(p, one[0]));
        const nearest = Math.min(
          ...ofOne.map(([x, y]) => Math.min(...ofOther.map(([u, v]) => Math.hypot(u - x, v - y)))),
        );
        const distance = distanceBetween(one, other);
        expect(distanceBetween(other, one)).toBeCloseTo(distance, 9);
        if (overlap) expect(distance).toBe(0);
        else {
          expect(distance).toBeLessThanOrEqual(nearest + 1e-9);
          expect(distance).toBeGreaterThanOrEqual(nearest - stepMm);
        }
      }),
      { numRuns: 60 },
    );
  });
});

it('islands of one part are each looked at, from either side', () => {
  const islands = [...moved(box(10, 10), -20, 0), ...moved(box(10, 10), 20, 0)];
  for (const way of [1, -1]) {
    const small = moved(box(2, 2), 20 * way, 0);
    expect([distanceBetween(islands, small), distanceBetween(small, islands)]).toEqual([0, 0]);
    const beside = moved(box(2, 2), 20 * way, 8);
    expect([distanceBetween(islands, beside), distanceBetween(beside, islands)]).toEqual([2, 2]);
    // Between them nothing is covered.
    expect(distanceBetween(islands, moved(box(2, 2), 10 * way, 0))).toBe(4);
  }
  // Two of which one lies on the first, and the other on nothing.
  const two = [...moved(box(2, 2), -20, 0), ...moved(box(2, 2), 0, 40)];
  expect([distanceBetween(islands, two), distanceBetween(two, islands)]).toEqual([0, 0]);
});

describe('parts on a plate', () => {
  const plate: Plate = { widthMm: 60, depthMm: 44, edgeMm: 5 };
  const at = (id: string, xMm: number, yMm: number) => ({
    id,
    footprint: box(10, 6),
    xMm,
    yMm,
    turnDeg: 0,
  });

  it('lie outside as soon as they reach over the usable edge, on each side', () => {
    const outside = (xMm: number, yMm: number) => conflictsOf([at('a', xMm, yMm)], plate, 3).outside;
    for (const [x, y] of [[10, 20], [50, 20], [30, 8], [30, 36]]) expect(outside(x, y)).toEqual([]); // oxfmt-ignore
    for (const [x, y] of [[9.9, 20], [50.1, 20], [30, 7.9], [30, 36.1]]) expect(outside(x, y)).toEqual(['a']); // oxfmt-ignore
  });

  it('are too near by what lies between them, whichever way', () => {
    const near = (xMm: number, yMm: number) =>
      conflictsOf([at('a', 30, 20), at('b', 30 + xMm, 20 + yMm)], plate, 3).pairs.length;
    for (const way of [1, -1]) {
      expect([near(12.9 * way, 0), near(13 * way, 0)]).toEqual([1, 0]);
      expect([near(0, 8.9 * way), near(0, 9 * way)]).toEqual([1, 0]);
      // Over a corner 2.1 in each direction are 2.97, and 2.2 are 3.1.
      expect([near(12.1 * way, 8.1), near(12.2 * way, 8.2)]).toEqual([1, 0]);
    }
  });
});

describe('laying on a small plate', () => {
  const plate: Plate = { widthMm: 70, depthMm: 60, edgeMm: 5 };
  const part = fc.record({ width: size, depth: size, isTriangle: fc.boolean() });
  const partsOf = (all: readonly { width: number; depth: number; isTriangle: boolean }[]) =>
    all.map(({ width, depth, isTriangle }, i): Placeable => {
      const [corners] = box(width, depth);
      return { id: String(i), footprint: [isTriangle ? corners.slice(0, 3) : corners] };
    });

  it('keeps parts on the plate and apart, beside others that are fixed and may reach over its edge', () => {
    const fixedPlace = fc.record({
      xMm: fc.integer({ min: -5, max: 75 }),
      yMm: fc.integer({ min: -5, max: 65 }),
      turnDeg: fc.constantFrom(0, 30, 90),
    });
    fc.assert(
      fc.property(
        fc.array(part, { minLength: 1, maxLength: 6 }),
        fc.option(fixedPlace),
        fc.integer({ min: 0, max: 6 }),
        (some, own, gapMm) => {
          const parts = partsOf(some);
          const fixed = own ? [{ id: 'fixed', footprint: box(18, 9), ...own }] : [];
          const { placed, left } = layOut(parts, plate, gapMm, fixed);
          const ids = [...placed.map(({ id }) => id), ...left];
          expect(ids.toSorted()).toEqual(parts.map(({ id }) => id).toSorted());
          const { pairs, outside } = conflictsOf([...placed, ...fixed], plate, gapMm);
          expect(pairs).toEqual([]);
          expect(outside.filter((id) => id !== 'fixed')).toEqual([]);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('finds room for a part that needs nearly all of it, and none for a larger one, either way round', () => {
    const laid = (width: number, depth: number, gapMm = 3) =>
      layOut([{ id: 'a', footprint: box(width, depth) }], plate, gapMm).placed.length;
    // Cells of half a millimetre are all that is known of a part, and one at each side is lost to that.
    expect([laid(58.5, 48.5), laid(60.5, 20), laid(20, 50.5), laid(60.5, 50.5)]).toEqual([1, 0, 1, 0]);
    expect([laid(48.5, 58.5), laid(58.5, 48.5, 0), laid(58.5, 48.5, 6)]).toEqual([1, 1, 1]);
  });

  it('knows of what lies half over an edge where it does lie, on each side', () => {
    const gapMm = 2;
    // A strip along the fixed part, as wide as what is left; the usable area is 60 by 50.
    const widest = (fixed: { xMm: number; yMm: number }, isUpright: boolean, restMm: number) => {
      const all = [{ id: 'fixed', footprint: isUpright ? box(40, 80) : box(90, 40), turnDeg: 0, ...fixed }];
      for (let mm = restMm + 0.5; mm > restMm - 4; mm -= 0.25) {
        const strip = isUpright ? box(mm, 48) : box(58, mm);
        const { placed } = layOut([{ id: 'strip', footprint: strip }], plate, gapMm, all);
        if (placed.length > 0) return { mm, conflicts: conflictsOf([...placed, ...all], plate, gapMm).pairs };
      }
      return undefined;
    };
    // It covers to 30 from the left or the right, or from the front or the back.
    const cases = [
      widest({ xMm: 10, yMm: 30 }, true, 33),
      widest({ xMm: 60, yMm: 30 }, true, 33),
      widest({ xMm: 35, yMm: 10 }, false, 23),
      widest({ xMm: 35, yMm: 50 }, false, 23),
    ];
    for (const [i, restMm] of [33, 33, 23, 23].entries()) {
      expect(cases[i]?.conflicts).toEqual([]);
      expect(cases[i]!.mm).toBeGreaterThan(restMm - 2);
      expect(cases[i]!.mm).toBeLessThanOrEqual(restMm);
    }
  });

  it('keeps to plates that are no whole number of cells', () => {
    const tenths = fc.integer({ min: 0, max: 9 }).map((n) => n / 10);
    fc.assert(
      fc.property(tenths, tenths, tenths, (width, depth, gap) => {
        const odd: Plate = { widthMm: 40 + width, depthMm: 30 + depth, edgeMm: 5 };
        // Eight strips fill it, and the fixed one keeps the group from being moved into the middle.
        const parts = partsOf(Array.from({ length: 12 }, () => ({ width: 3, depth: 9, isTriangle: false })));
        const fixed = [{ id: 'fixed', footprint: box(4, 4), xMm: 7, yMm: 7, turnDeg: 0 }];
        const { placed, left } = layOut(parts, odd, 1 + gap, fixed);
        expect(left.length).toBeGreaterThan(0);
        expect(conflictsOf([...placed, ...fixed], odd, 1 + gap)).toEqual({ pairs: [], outside: [] });
      }),
      { numRuns: 15 },
    );
  });

  it('puts the group in the middle, and parts beside fixed ones where they were found room', () => {
    const two = layOut(partsOf([{ width: 20, depth: 10, isTriangle: false }, { width: 8, depth: 8, isTriangle: false }]), plate, 3); // oxfmt-ignore
    const corners = two.placed.flatMap(
      ({ footprint, turnDeg, xMm, yMm }) => moved(turned(footprint, turnDeg), xMm, yMm)[0],
    );
    const middle = (values: number[]) => (Math.min(...values) + Math.max(...values)) / 2;
    expect(middle(corners.map(([x]) => x))).toBeCloseTo(35, 9);
    expect(middle(corners.map(([, y]) => y))).toBeCloseTo(30, 9);
    // As far to the front left as there is room, where the other one is not.
    const [beside] = layOut([{ id: 'b', footprint: box(10, 10) }], plate, 3, [
      { id: 'a', footprint: box(20, 45), xMm: 16, yMm: 30, turnDeg: 0 },
    ]).placed;
    expect(beside.xMm - 5).toBeGreaterThanOrEqual(29);
    expect(beside.xMm - 5).toBeLessThan(31);
    expect(beside.yMm - 5).toBeLessThan(6.5);
  });
});

describe('distances of small and odd shapes', () => {
  const at = (region: Region, x: number, y: number) => moved(region, x, y);

  it('are measured square to an edge that is just a millimetre long', () => {
    expect(distanceBetween(box(1, 1), at(box(0.5, 0.5), 0, 1.75))).toBeCloseTo(1, 9);
    expect(distanceBetween(at(box(0.5, 0.5), 0, 1.75), box(1, 1))).toBeCloseTo(1, 9);
  });

  it('are not taken for nothing where shapes are tiny', () => {
    expect(distanceBetween(box(0.2, 0.2), at(box(0.2, 0.2), 0.3, 0))).toBeCloseTo(0.1, 9);
    expect(distanceBetween(box(0.2, 0.2), at(box(0.2, 0.2), 0.3, 0.4))).toBeCloseTo(Math.hypot(0.1, 0.2), 9);
  });

  it('are not taken for nothing where an edge points at another without reaching it', () => {
    expect(distanceBetween(box(0.2, 0.2), at(box(0.2, 0.4), 0.3, 0))).toBeCloseTo(0.1, 9);
    expect(distanceBetween(box(0.2, 0.4), at(box(0.2, 0.2), 0.3, 0))).toBeCloseTo(0.1, 9);
  });

  it('are nothing where one lies within the other', () => {
    expect(distanceBetween(box(10, 10), at(box(2, 2), 1, 1))).toBe(0);
    expect(distanceBetween(at(box(2, 2), 1, 1), box(10, 10))).toBe(0);
  });

  it('are right where a corner is there twice', () => {
    const twice: Region = [[[0, 0], [4, 0], [4, 0], [4, 4], [0, 4]]]; // oxfmt-ignore
    expect(distanceBetween(twice, at(box(2, 2), 6.5, -1.5))).toBeCloseTo(Math.hypot(1.5, 0.5), 9);
  });

  it('are nothing for bars that cross without a corner in each other', () => {
    expect(distanceBetween(box(20, 1), box(1, 20))).toBe(0);
  });
});

it('parts are too near from two hundredths of a millimetre on', () => {
  const plate: Plate = { widthMm: 200, depthMm: 200, edgeMm: 5 };
  const pair = (gapMm: number) =>
    [{ id: 'a', xMm: 50 }, { id: 'b', xMm: 60 + gapMm }].map((each) => ({ ...each, footprint: box(10, 10), yMm: 50, turnDeg: 0 })); // oxfmt-ignore
  const areTooNear = (gapMm: number) => conflictsOf(pair(gapMm), plate, 4).pairs.length > 0;
  expect([3.97, 3.975, 3.985, 4, 5].map(areTooNear)).toEqual([true, true, false, false, false]);
  const isOutside = (xMm: number) => conflictsOf([{ ...pair(0)[0], xMm }], plate, 4).outside.length > 0;
  expect([9.97, 9.975, 9.985, 10, 190, 190.015, 190.025].map(isOutside)).toEqual([true, true, false, false, false, false, true]); // oxfmt-ignore
});
