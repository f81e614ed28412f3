import { describe, expect, it } from 'vitest';
import type { Point } from '../../plane/index.ts';
import { fillLines } from './fillLines.ts';
import { honeycombLines } from './honeycomb.ts';
import { waveLines } from './waves.ts';

type Place = readonly [number, number];
const extent = { x: { low: 0, high: 200 }, y: { low: 0, high: 200 } };
const mm = ([ax, ay]: Place, [bx, by]: Place) => Math.hypot(bx - ax, by - ay);

/** How much of a square of 100 mm in the middle lines take, by the lengths of what of them lies in it. */
function shareTaken(lines: readonly (readonly Place[])[], lineWidthMm: number): number {
  let length = 0;
  for (const points of lines) {
    for (let i = 1; i < points.length; i++) {
      const [a, b] = [points[i - 1], points[i]];
      // In small pieces, of which each is counted by its middle.
      const pieces = Math.ceil(mm(a, b) / 0.2);
      for (let k = 0; k < pieces; k++) {
        const share = (k + 0.5) / pieces;
        const at = [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])];
        if (at.every((each) => each > 50 && each < 150)) length += mm(a, b) / pieces;
      }
    }
  }
  return (length * lineWidthMm) / 100 ** 2;
}

describe('a honeycomb', () => {
  it.each([0.08, 0.15, 0.3])('takes a share of %f of what it fills', (share) => {
    for (const lineWidthMm of [0.4, 0.6])
      expect(shareTaken(honeycombLines(extent, share, lineWidthMm), lineWidthMm) / share).toBeCloseTo(1, 1);
  });

  it('goes straight and aslant in turn, and beside its neighbour where both are straight', () => {
    const lines = honeycombLines(extent, 0.15, 0.45);
    const upright = lines.map((points) =>
      points.slice(1).flatMap(([x, y], i) => (Math.abs(x - points[i][0]) < 1e-9 ? [{ x, low: points[i][1], high: y }] : [])),
    ); // oxfmt-ignore
    const [side] = upright[0].map(({ low, high }) => high - low);
    for (const pieces of upright) {
      expect(pieces.length).toBeGreaterThan(10);
      for (const { low, high } of pieces) expect(high - low).toBeCloseTo(side, 6);
    }
    // Each upright piece well within the area has one of the next or the last line beside it, just as high.
    upright.slice(2, -2).forEach((pieces, n) => {
      const beside = [upright[n + 1], upright[n + 3]].flat();
      for (const { x, low } of pieces)
        expect(beside.some((other) => Math.abs(other.low - low) < 1e-6 && Math.abs(Math.abs(other.x - x) - 0.45) < 1e-6)).toBe(true); // oxfmt-ignore
    });
    // What it fills is covered to its edges.
    const all = lines.flat();
    for (const axis of [0, 1]) {
      expect(Math.min(...all.map((point) => point[axis]))).toBeLessThan(0);
      expect(Math.max(...all.map((point) => point[axis]))).toBeGreaterThan(200);
    }
  });

  it('lies at the same places whatever part of it is asked for', () => {
    const part = honeycombLines({ x: { low: 60, high: 90 }, y: { low: 70, high: 100 } }, 0.15, 0.45);
    const known = new Set(honeycombLines(extent, 0.15, 0.45).flat().map((point) => point.map((each) => each.toFixed(6)).join())); // oxfmt-ignore
    for (const point of part.flat())
      if (point.every((each) => each > 0 && each < 200))
        expect(known.has(point.map((each) => each.toFixed(6)).join())).toBe(true);
  });
});

describe('wave surfaces', () => {
  it.each([0.1, 0.2])('take a share of %f in the mean of a period of heights', (share) => {
    const periodMm = (3.0915 * (Math.PI / 4) * 0.45) / share;
    const heights = 16;
    let taken = 0;
    for (let i = 0; i < heights; i++)
      taken += shareTaken(waveLines(extent, ((i + 0.5) / heights) * periodMm, share, 0.45), 0.45) / heights;
    expect(taken / share).toBeCloseTo(1, 1);
  });

  it('lie on the surface, and cover what they fill', () => {
    const share = 0.15;
    const periodMm = (3.0915 * (Math.PI / 4) * 0.45) / share;
    const turn = (each: number) => (2 * Math.PI * each) / periodMm;
    for (const zMm of [
      0.2,
      0.13 * periodMm,
      0.31 * periodMm,
      0.5 * periodMm,
      0.81 * periodMm,
      7.7 * periodMm,
    ]) {
      const lines = waveLines(extent, zMm, share, 0.45);
      for (const [x, y] of lines.flat()) {
        const field =
          Math.sin(turn(x)) * Math.cos(turn(y)) +
          Math.sin(turn(y)) * Math.cos(turn(zMm)) +
          Math.sin(turn(zMm)) * Math.cos(turn(x));
        expect(Math.abs(field)).toBeLessThan(1e-6);
      }
      // Each goes from edge to edge.
      for (const points of lines) {
        const isReaching = ([0, 1] as const).some((axis) => {
          const [low, high] = axis === 0 ? [extent.x.low, extent.x.high] : [extent.y.low, extent.y.high];
          const along = points.map((point) => point[axis]);
          return Math.min(...along) <= low && Math.max(...along) >= high;
        });
        expect(isReaching).toBe(true);
      }
      // No corner is far from the next, and no place of the area is further from a line than half a period.
      for (const points of lines)
        for (let i = 1; i < points.length; i++)
          expect(mm(points[i - 1], points[i])).toBeLessThan(periodMm / 3);
      const all = lines.flat();
      for (const at of [
        [0, 0],
        [100, 3],
        [3, 100],
        [200, 200],
        [199, 50],
        [137, 71],
      ] as Place[])
        expect(Math.min(...all.map((point) => mm(point, at)))).toBeLessThan(periodMm / 2 + periodMm / 12);
    }
  });
});

describe('straight lines', () => {
  const square: Point[] = [[10, 20], [40, 20], [40, 50], [10, 50]]; // oxfmt-ignore
  const hole: Point[] = [[20, 30], [20, 40], [30, 40], [30, 30]]; // oxfmt-ignore

  it.each([0, 30, 45, 90, 135])('at %d° are as long together as the area over their spacing', (deg) => {
    const paths = fillLines([square, hole], deg, 0.5, 'inside');
    const length = paths.reduce((sum, { points }) => sum + mm(points[0], points[1]), 0);
    expect(Math.abs((length * 0.5) / 800 - 1)).toBeLessThan(0.02);
    const way = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
    for (const { points, role, closed, widthMm } of paths) {
      expect([role, closed, widthMm]).toEqual(['inside', false, 0.5]);
      const [[ax, ay], [bx, by]] = points;
      // Along the way, on the grid through the origin.
      expect((bx - ax) * way[1] - (by - ay) * way[0]).toBeCloseTo(0, 6);
      const across = (ay * way[0] - ax * way[1]) / 0.5;
      expect(across).toBeCloseTo(Math.round(across), 5);
    }
  });

  it('lie on a grid that is moved, in a width of their own, and none where they would be too short', () => {
    const moved = fillLines([square], 0, 1, 'closed', 0.4, 0.25);
    expect(moved.map(({ points }) => points[0][1]).toSorted((a, b) => a - b)).toEqual(
      Array.from({ length: 30 }, (_, i) => 20.25 + i),
    );
    expect(moved[0].widthMm).toBe(0.4);
    const narrow = (wide: number) => fillLines([[[0, 0], [wide, 0], [wide, 9], [0, 9]]], 0, 1, 'inside').length; // oxfmt-ignore
    expect([narrow(0.29), narrow(0.31)]).toEqual([0, 9]);
  });
});
