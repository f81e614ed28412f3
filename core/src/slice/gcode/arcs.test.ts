import fc from 'fast-check';
import { expect, it } from 'vitest';
import { ARC_DEVIATION_MM, stretchesOf, type Stretch } from './arcs.ts';

type Point = readonly [number, number];

/** Points along a circle, from one angle to another. */
const along = (
  radius: number,
  fromDeg: number,
  toDeg: number,
  pieces: number,
  middle: Point = [0, 0],
): Point[] =>
  Array.from({ length: pieces + 1 }, (_, i) => {
    const angle = ((fromDeg + ((toDeg - fromDeg) * i) / pieces) * Math.PI) / 180;
    return [middle[0] + radius * Math.cos(angle), middle[1] + radius * Math.sin(angle)];
  });

/** How far a point is from the stretch that takes the place of its piece. */
function awayMm(point: Point, from: Point, { to, arc }: Stretch): number {
  if (arc) {
    const radius = Math.hypot(from[0] - arc.middle[0], from[1] - arc.middle[1]);
    return Math.abs(Math.hypot(point[0] - arc.middle[0], point[1] - arc.middle[1]) - radius);
  }
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const length = Math.hypot(dx, dy) || 1;
  return Math.abs((point[0] - from[0]) * dy - (point[1] - from[1]) * dx) / length;
}

it('makes one arc of a rounded corner, whichever way it turns, and leaves the straight runs beside it', () => {
  const corner = along(5, 0, 90, 16, [10, 10]);
  const line: Point[] = [[15, -20], ...corner, [-20, 15]];
  const stretches = stretchesOf(line);
  expect(stretches.map(({ pieces, arc }) => [pieces, arc?.isClockwise])).toEqual([
    [1, undefined],
    [16, false],
    [1, undefined],
  ]);
  expect(stretches[1].arc!.middle[0]).toBeCloseTo(10, 9);
  expect(stretches[1].arc!.middle[1]).toBeCloseTo(10, 9);
  const back = stretchesOf(line.toReversed());
  expect(back.map(({ arc }) => arc?.isClockwise)).toEqual([undefined, true, undefined]);
});

it('writes a whole circle as two arcs, so that none ends where it begins', () => {
  const stretches = stretchesOf(along(8, 0, 360, 72));
  expect(stretches).toHaveLength(2);
  // The first of them goes five sixths of the way.
  expect(stretches.map(({ pieces }) => pieces)).toEqual([60, 12]);
});

it('leaves a polygon as it is whose corners are meant, and what is all but straight', () => {
  for (const corners of [3, 4, 6, 8, 12]) {
    const polygon = along(10, 0, 360, corners);
    expect(stretchesOf(polygon).every(({ arc }) => arc === undefined)).toBe(true);
  }
  expect(stretchesOf(along(2000, 0, 2, 20)).every(({ arc }) => arc === undefined)).toBe(true);
});

it('stays within a hundredth of a millimetre of any line, and loses no piece of it', () => {
  const coordinate = fc.double({ min: -50, max: 50, noNaN: true });
  const bend = fc.record({
    radius: fc.double({ min: 0.3, max: 40, noNaN: true }),
    fromDeg: fc.double({ min: 0, max: 360, noNaN: true }),
    byDeg: fc.double({ min: -200, max: 200, noNaN: true }),
    pieces: fc.integer({ min: 1, max: 40 }),
    middle: fc.tuple(coordinate, coordinate),
  });
  fc.assert(
    fc.property(fc.array(bend, { minLength: 1, maxLength: 5 }), (bends) => {
      const points = bends.flatMap(({ radius, fromDeg, byDeg, pieces, middle }) =>
        along(radius, fromDeg, fromDeg + byDeg, pieces, middle),
      );
      let at = 0;
      for (const stretch of stretchesOf(points)) {
        const from = points[at];
        for (let i = at; i < at + stretch.pieces; i++) {
          const half: Point = [(points[i][0] + points[i + 1][0]) / 2, (points[i][1] + points[i + 1][1]) / 2];
          for (const point of [points[i], half, points[i + 1]])
            expect(awayMm(point, from, stretch)).toBeLessThanOrEqual(ARC_DEVIATION_MM + 1e-9);
        }
        at += stretch.pieces;
        expect(stretch.to).toBe(points[at]);
      }
      expect(at).toBe(points.length - 1);
    }),
  );
});
