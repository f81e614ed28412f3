import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { circlePoints, turned, type Outline, type Region } from '../../plane/index.ts';
import { centreLines, type Stroke } from './centreLines.ts';

const bar = (length: number, width: number): Outline => [
  [0, -width / 2],
  [length, -width / 2],
  [length, width / 2],
  [0, width / 2],
];
const lengthOf = ({ points, closed }: Stroke) => {
  const way = closed ? [...points, points[0]] : points;
  return way.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - way[i][0], y - way[i][1]), 0);
};
const areaOf = (strokes: readonly Stroke[]) =>
  strokes.reduce((sum, stroke) => sum + lengthOf(stroke) * stroke.widthMm, 0);

describe('the middle of a thin place', () => {
  it('of a bar is one straight line of its width, whichever way it lies', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 0.9, noNaN: true }),
        fc.double({ min: 3, max: 30, noNaN: true }),
        fc.integer({ min: 0, max: 359 }),
        (width, length, angle) => {
          const strokes = centreLines(turned([bar(length, width)], angle), 0.1);
          expect(strokes).toHaveLength(1);
          const [stroke] = strokes;
          expect(stroke.widthMm / width).toBeCloseTo(1, 1);
          expect(stroke.closed).toBe(false);
          // It keeps away from either end by a quarter of the width, or by what the outline is sampled at.
          expect(Math.abs(lengthOf(stroke) - (length - width / 2))).toBeLessThan(0.2);
          const back = turned([stroke.points.map(([x, y]) => [x, y])], -angle)[0];
          for (const [, y] of back) expect(Math.abs(y)).toBeLessThan(0.05);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('of a ring is a closed circle', () => {
    const ring: Region = [circlePoints(5.2), circlePoints(4.8).toReversed()];
    const strokes = centreLines(ring, 0.1);
    expect(strokes).toHaveLength(1);
    expect(strokes[0]).toMatchObject({ closed: true, widthMm: expect.closeTo(0.4, 1) as number });
    expect(lengthOf(strokes[0])).toBeCloseTo(2 * Math.PI * 5, 0);
  });

  it('of a T reaches into all three arms and to the crossing', () => {
    const T: Outline = [
      [-5, 0],
      [5, 0],
      [5, 0.5],
      [0.25, 0.5],
      [0.25, 6],
      [-0.25, 6],
      [-0.25, 0.5],
      [-5, 0.5],
    ];
    const strokes = centreLines([T], 0.1);
    const reached = (x: number, y: number) =>
      Math.min(...strokes.flatMap(({ points }) => points.map((p) => Math.hypot(p[0] - x, p[1] - y))));
    for (const [x, y] of [
      [-5, 0.25],
      [5, 0.25],
      [0, 6],
      [0, 0.25],
    ])
      expect(reached(x, y)).toBeLessThan(0.3);
    expect(areaOf(strokes)).toBeCloseTo(10 * 0.5 + 5.5 * 0.5, 0);
  });

  it('of a wedge gets narrower towards the tip, and ends where it is too thin', () => {
    const strokes = centreLines(
      [
        [
          [0, -0.4],
          [10, 0],
          [0, 0.4],
        ],
      ],
      0.2,
    );
    const widths = strokes.map(({ widthMm }) => widthMm);
    expect(strokes.length).toBeGreaterThan(3);
    expect(Math.max(...widths)).toBeLessThan(0.8);
    expect(Math.min(...widths)).toBeGreaterThan(0.2);
    const furthest = Math.max(...strokes.flatMap(({ points }) => points.map(([x]) => x)));
    expect(furthest).toBeGreaterThan(7.2);
    expect(furthest).toBeLessThan(7.8);
  });

  it('of nothing is nothing', () => {
    expect(centreLines([], 0.1)).toEqual([]);
  });
});
