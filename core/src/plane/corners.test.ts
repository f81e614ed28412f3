import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  circlePoints,
  crossingOf,
  cornersOf,
  cutAcross,
  filletAt,
  fineArc,
  fitCircle,
  nextCorner,
  regionAreaOf,
  reversed,
  toEdgeMm,
  turned,
  withFinishes,
  withoutRepeats,
  type Point,
  type Region,
} from './index.ts';

const square: Region = [[[0, 0], [20, 0], [20, 20], [0, 20]]]; // oxfmt-ignore
/** A square with a square opening, whose corners turn inwards. */
const frame: Region = [...square, ...reversed([[[5, 5], [15, 5], [15, 15], [5, 15]]])]; // oxfmt-ignore

describe('corners', () => {
  it('are where an outline turns sharply, and know on which side material is', () => {
    expect(cornersOf(frame).map(({ isOuter }) => isOuter)).toEqual([
      ...[true, true, true, true],
      ...[false, false, false, false],
    ]);
    expect(cornersOf([circlePoints(0.5)])).toEqual([]);
    expect(cornersOf([circlePoints(40)])).toEqual([]);
    const corners = cornersOf(frame);
    expect(corners.map((_, i) => nextCorner(corners, i))).toEqual([1, 2, 3, 0, 5, 6, 7, 4]);
  });

  it('are cut across by a length along each side, which may go round bends', () => {
    const bent: Region = [[[0, 0], [10, 0], [20, 1], [20, 20], [0, 20]]]; // oxfmt-ignore
    const corners = cornersOf(bent);
    const { points } = cutAcross(bent, corners, 0, 12);
    expect(points[0]).toEqual([0, 12]);
    const long = Math.hypot(10, 1);
    expect(points[1][0]).toBeCloseTo(10 + 20 / long, 9);
    expect(points[1][1]).toBeCloseTo(2 / long, 9);
    const cut = withFinishes(bent, corners, [cutAcross(bent, corners, 0, 12)]);
    expect(cut[0]).toHaveLength(5);
  });

  it('that are alone on their outline have half of it on either side', () => {
    // A drop: a tip on a half circle of 10 mm, whose sides run 10 mm up to it from its ends.
    const drop: Region = [[[0, 17.32], ...fineArc([0, 0], 10, (5 * Math.PI) / 6, (4 * Math.PI) / 3)]]; // oxfmt-ignore
    const corners = cornersOf(drop);
    expect(corners).toHaveLength(1);
    expect(nextCorner(corners, 0)).toBe(0);
    const { points, beforeMm, afterMm } = cutAcross(drop, corners, 0, 5);
    expect([beforeMm, afterMm]).toEqual([5, 5]);
    for (const [x, y] of points) expect(Math.hypot(x, y - 17.32)).toBeCloseTo(5, 9);
    expect(points[0][0]).toBeCloseTo(-points[1][0], 2);
    // Further than half around, both ends are where they meet, at the bottom.
    for (const [x, y] of cutAcross(drop, corners, 0, 500).points) {
      expect(x).toBeCloseTo(0, 1);
      expect(y).toBeCloseTo(-10, 1);
    }
    expect(regionAreaOf(withFinishes(drop, corners, [cutAcross(drop, corners, 0, 5)]))).toBeLessThan(
      regionAreaOf(drop) - 5,
    );
  });

  it('that stay keep their outlines as they are', () => {
    const corners = cornersOf(frame);
    const finishes = corners.map((_, i) => (i === 5 ? cutAcross(frame, corners, i, 2) : undefined));
    const finished = withFinishes(frame, corners, finishes);
    expect(finished[0]).toBe(frame[0]);
    expect(regionAreaOf(finished)).toBeCloseTo(300 + 2, 9);
  });
});

describe('a fillet', () => {
  it('touches both sides of any corner, and takes what the formula says', () => {
    const cases = fc.record({
      deg: fc.integer({ min: 25, max: 150 }),
      turnDeg: fc.integer({ min: 0, max: 359 }),
      radiusMm: fc.double({ min: 0.3, max: 6, noNaN: true }),
      isOuter: fc.boolean(),
    });
    fc.assert(
      fc.property(cases, ({ deg, turnDeg, radiusMm, isOuter }) => {
        // Two long sides that turn by an angle where they meet, and what closes them far away.
        const turn = (deg * Math.PI) / 180;
        const end: Point = [60 * Math.cos(turn), 60 * Math.sin(turn)];
        const wedge: Region = [[[0, 0], end, [-60, 0]]]; // oxfmt-ignore
        const around: Region = [[[-90, -90], [90, -90], [90, 90], [-90, 90]], ...reversed(wedge)]; // oxfmt-ignore
        const region = turned(isOuter ? wedge : around, turnDeg);
        const corners = cornersOf(region);
        const at = corners.findIndex((corner) => Math.hypot(...corner.at) < 1e-9);
        expect(corners[at].isOuter).toBe(isOuter);
        const fillet = filletAt(region, corners, at, radiusMm);
        const tangent = radiusMm * Math.tan(turn / 2);
        if (tangent > 55) return;
        expect(fillet!.beforeMm).toBeCloseTo(tangent, 5);
        expect(fillet!.afterMm).toBeCloseTo(tangent, 5);
        const finished = withFinishes(
          region,
          corners,
          corners.map((_, i) => (i === at ? fillet : undefined)),
        );
        const taken = radiusMm ** 2 * (Math.tan(turn / 2) - turn / 2);
        const by = regionAreaOf(region) - regionAreaOf(finished);
        expect(Math.abs(by - (isOuter ? taken : -taken))).toBeLessThan(0.03 * taken + 0.03);
      }),
    );
  });

  it('crosses no side, curved ones included', () => {
    // A lens of two arcs of 120°.
    const arcs = [fineArc([0, -5], 10, Math.PI / 6, (2 * Math.PI) / 3), fineArc([0, 5], 10, (7 * Math.PI) / 6, (2 * Math.PI) / 3)]; // oxfmt-ignore
    const lens: Region = [withoutRepeats(arcs.flat())];
    const corners = cornersOf(lens);
    expect(corners.map(({ at }) => Math.abs(at[0]))).toEqual([
      expect.closeTo(Math.sqrt(75), 6),
      expect.closeTo(Math.sqrt(75), 6),
    ]);
    const fillets = corners.map((_, i) => filletAt(lens, corners, i, 1)!);
    // The circle that touches both from inside has its middle where they are 10 − 1 away from theirs.
    const middle = Math.sqrt(9 ** 2 - 5 ** 2);
    for (const { points } of fillets) {
      expect(Math.abs(points[Math.floor(points.length / 2)][0])).toBeLessThan(middle + 1.01);
      for (const [x, y] of points) {
        const toSide = Math.min(
          ...lens[0].map((a, i) => toEdgeMm(x, y, ...a, ...lens[0][(i + 1) % lens[0].length])),
        );
        expect(Math.hypot(Math.abs(x) - middle, y)).toBeCloseTo(1, 1);
        expect(toSide).toBeLessThan(1);
      }
    }
    const finished = withFinishes(lens, corners, fillets);
    expect(crossingOf(finished)).toBeUndefined();
    expect(regionAreaOf(finished)).toBeLessThan(regionAreaOf(lens));
  });

  it('touches both sides to a nanometre, however unlike their curves', () => {
    // Arcs of 10 and 30 mm that meet in two tips, one side of few edges and one of many.
    const half = 8;
    const arc = (radius: number, way: 1 | -1) => {
      const turn = Math.asin(half / radius);
      const points = fineArc([0, 0], radius, Math.PI / 2 - turn, 2 * turn);
      const down = Math.sqrt(radius ** 2 - half ** 2);
      return points.map(([x, y]): Point => [way * x, way * (y - down)]);
    };
    const lens: Region = [withoutRepeats([...arc(10, 1), ...arc(30, -1)])];
    const corners = cornersOf(lens);
    expect(corners).toHaveLength(2);
    for (const radiusMm of [0.3, 1, 2.2]) {
      for (let i = 0; i < corners.length; i++) {
        const { points } = filletAt(lens, corners, i, radiusMm)!;
        const { middle } = fitCircle(points)!;
        const edges = lens[0].map((a, k) => toEdgeMm(...middle, ...a, ...lens[0][(k + 1) % lens[0].length]));
        expect(Math.min(...edges)).toBeCloseTo(radiusMm, 6);
        for (const end of [points[0], points.at(-1)!])
          expect(Math.hypot(end[0] - middle[0], end[1] - middle[1])).toBeCloseTo(radiusMm, 6);
      }
    }
  });

  it('of sides with very many edges is as that of few', () => {
    const fine = (count: number): Region => {
      const side = (from: Point, to: Point) =>
        Array.from({ length: count }, (_, i): Point => {
          const share = i / count;
          return [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1])];
        });
      const [a, b, c]: Point[] = [[0, 0], [40, 0], [10, 30]]; // oxfmt-ignore
      return [[...side(a, b), ...side(b, c), ...side(c, a)]];
    };
    const fillets = [1, 150, 5000].map((count) => {
      const region = fine(count);
      return filletAt(region, cornersOf(region), 0, 3)!;
    });
    for (const { beforeMm, afterMm, points } of fillets) {
      expect(beforeMm).toBeCloseTo(fillets[0].beforeMm, 5);
      expect(afterMm).toBeCloseTo(fillets[0].afterMm, 5);
      expect(points.length).toBe(fillets[0].points.length);
    }
  });

  it('that has no room is none', () => {
    const corners = cornersOf(square);
    expect(filletAt(square, corners, 0, 20)).toBeDefined();
    expect(filletAt(square, corners, 0, 20.01)).toBeUndefined();
  });
});
