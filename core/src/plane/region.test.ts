import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  centred,
  counterClockwise,
  depthInHull,
  extentOf,
  fineArc,
  largestCircleAround,
  mirrored,
  moved,
  pointsOf,
  regionAreaOf,
  reversed,
  scaled,
  segmentsFor,
  signedAreaOf,
  strokePieces,
  turned,
  withoutRepeats,
  type Outline,
  type Point,
  type Region,
} from './index.ts';

const L: Outline = [[1, 2], [7, 2], [7, 4], [3, 4], [3, 9], [1, 9]]; // oxfmt-ignore
/** A square with a square opening. */
const frame: Region = [
  [[0, 0], [10, 0], [10, 10], [0, 10]],
  [[2, 2], [2, 6], [6, 6], [6, 2]],
]; // oxfmt-ignore

describe('a region', () => {
  it('has the area of its outlines less its openings, and so many points', () => {
    expect(signedAreaOf(L)).toBe(6 * 2 + 2 * 5);
    expect(regionAreaOf(frame)).toBe(100 - 16);
    expect(pointsOf(frame)).toBe(8);
    expect([regionAreaOf([]), pointsOf([])]).toEqual([0, 0]);
  });

  it('reaches as far as its points do', () => {
    expect(extentOf([L])).toEqual({ x: { low: 1, high: 7 }, y: { low: 2, high: 9 } });
    expect(extentOf([])).toEqual({ x: { low: 0, high: 0 }, y: { low: 0, high: 0 } });
    expect(extentOf([[[3, -2]]])).toEqual({ x: { low: 3, high: 3 }, y: { low: -2, high: -2 } });
  });

  it('is moved, turned, scaled and put into the middle', () => {
    expect(moved([L], -1, 3)[0][2]).toEqual([6, 7]);
    expect(turned([[[4, 0]]], 90)[0][0]).toEqual([expect.closeTo(0, 9), expect.closeTo(4, 9)]);
    expect(scaled([L], 3)[0][1]).toEqual([21, 6]);
    expect(extentOf(centred([L]))).toEqual({ x: { low: -3, high: 3 }, y: { low: -3.5, high: 3.5 } });
  });

  it('turns the same way in a mirror, and the other way reversed', () => {
    expect(mirrored([L])[0].toSorted()).toEqual(L.map(([x, y]) => [-x, y]).toSorted());
    expect(signedAreaOf(mirrored([L])[0])).toBe(signedAreaOf(L));
    expect(signedAreaOf(reversed([L])[0])).toBe(-signedAreaOf(L));
    expect(counterClockwise(reversed([L])[0]).toSorted()).toEqual(L.toSorted());
    expect(counterClockwise(L)).toBe(L);
  });

  it('loses points that repeat the one before them, the first after the last as well', () => {
    expect(withoutRepeats([[0, 0], [0, 0], [4, 0], [4, 3], [4, 3.05], [0, 0]], 0.1)).toEqual([[4, 0], [4, 3], [0, 0]]); // oxfmt-ignore
    expect(withoutRepeats(L)).toEqual(L);
  });
});

it('a part of a circle has its share of the edges, and never strays further than a hundredth', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 80, noNaN: true }),
      fc.double({ min: 0.1, max: 6.2, noNaN: true }),
      (radius, sweep) => {
        const points = fineArc([2, -1], radius, 0.3, sweep);
        expect(points).toHaveLength(Math.ceil((segmentsFor(radius) * sweep) / (2 * Math.PI) - 1e-9) + 1);
        for (const [x, y] of points) expect(Math.hypot(x - 2, y + 1)).toBeCloseTo(radius, 9);
        for (let i = 1; i < points.length; i++) {
          const [x, y] = [0, 1].map((axis) => (points[i][axis] + points[i - 1][axis]) / 2);
          expect(radius - Math.hypot(x - 2, y + 1)).toBeLessThan(0.0101);
        }
      },
    ),
  );
});

it('a place is beyond anything without a hull', () => {
  expect(depthInHull([0, 0], [])).toBe(-Infinity);
  expect(depthInHull([1, 1], [[0, 0], [5, 5], [9, 9]])).toBe(-Infinity); // oxfmt-ignore
});

describe('the largest circle in a piece', () => {
  it('is as wide as a bar, as a square, and as what is left beside an opening', () => {
    expect(largestCircleAround([5, 0.2], [[[0, 0], [30, 0], [30, 0.5], [0, 0.5]]])).toBeCloseTo(0.5, 1); // oxfmt-ignore
    expect(largestCircleAround([1, 1], [[[0, 0], [7, 0], [7, 7], [0, 7]]])).toBeCloseTo(7, 1); // oxfmt-ignore
    // Into the corner of the frame that is furthest from its opening, between the sides and that corner.
    const corner = 4 * (2 - Math.SQRT2) * 2;
    expect(largestCircleAround([9, 9], frame)).toBeCloseTo(corner, 1);
  });

  it('is that of the piece around the place, and nothing in the air', () => {
    const two: Region = [...frame, ...moved([[[0, 0], [1, 0], [1, 1], [0, 1]]], 3, 3)]; // oxfmt-ignore
    expect(largestCircleAround([3.5, 3.5], two)).toBeCloseTo(1, 1);
    expect(largestCircleAround([5, 5], two)).toBe(0);
    expect(largestCircleAround([20, 5], two)).toBe(0);
    expect(largestCircleAround([9, 9], two)).toBeGreaterThan(4);
  });
});

describe('the pieces of a stroke', () => {
  const stroke = { width: 2, cap: 'butt', join: 'miter', miterLimit: 4 } as const;
  const areaOf = (pieces: readonly Outline[]) => pieces.map((piece) => signedAreaOf(piece));
  const line: Point[] = [[0, 0], [10, 0]]; // oxfmt-ignore

  it('of a point are nothing, a square or a circle as wide as the stroke', () => {
    expect(strokePieces([[3, 4]], false, stroke, 0.01)).toEqual([]);
    const [box] = strokePieces([[3, 4]], false, { ...stroke, cap: 'square' }, 0.01);
    expect(extentOf([box])).toEqual({ x: { low: 2, high: 4 }, y: { low: 3, high: 5 } });
    const [disc] = strokePieces([[3, 4]], false, { ...stroke, cap: 'round' }, 0.001);
    expect(signedAreaOf(disc)).toBeCloseTo(Math.PI, 2);
  });

  it('of a line are a box, and one at each end that it reaches beyond', () => {
    expect(areaOf(strokePieces(line, false, stroke, 0.01))).toEqual([20]);
    const square = strokePieces(line, false, { ...stroke, cap: 'square' }, 0.01);
    expect(extentOf(square)).toEqual({ x: { low: -1, high: 11 }, y: { low: -1, high: 1 } });
  });

  it('fill a corner to its point, up to the limit, and else cut it off', () => {
    const corner: Point[] = [[0, 0], [10, 0], [10, 10]]; // oxfmt-ignore
    const pointed = strokePieces(corner, false, stroke, 0.01);
    expect(extentOf(pointed)).toEqual({ x: { low: 0, high: 11 }, y: { low: -1, high: 10 } });
    expect(areaOf(pointed).reduce((a, b) => a + b, 0)).toBeCloseTo(41, 9);
    const cut = strokePieces(corner, false, { ...stroke, miterLimit: 1.2 }, 0.01);
    expect(areaOf(cut).reduce((a, b) => a + b, 0)).toBeCloseTo(40.5, 9);
    const bevelled = strokePieces(corner, false, { ...stroke, join: 'bevel' }, 0.01);
    expect(areaOf(bevelled).reduce((a, b) => a + b, 0)).toBeCloseTo(40.5, 9);
    // Just at its limit a right angle is still pointed: it reaches out √2 times half the width.
    expect(strokePieces(corner, false, { ...stroke, miterLimit: Math.SQRT2 + 1e-9 }, 0.01)).toHaveLength(3);
    // Straight on there is nothing to fill.
    expect(strokePieces([[0, 0], [5, 0], [10, 0]], false, stroke, 0.01)).toHaveLength(2); // oxfmt-ignore
  });
});
