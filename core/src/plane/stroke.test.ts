import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  isInside,
  signedAreaOf,
  strokePieces,
  turned,
  type Outline,
  type Point,
  type Stroke,
} from './index.ts';

const ERROR_MM = 0.005;
const plain: Stroke = { width: 2, cap: 'butt', join: 'miter', miterLimit: 4 };
const pieces = (line: Outline, isClosed: boolean, stroke: Partial<Stroke> = {}) =>
  strokePieces(line, isClosed, { ...plain, ...stroke }, ERROR_MM);
const covers = (all: readonly Outline[], point: Point) => all.some((piece) => isInside(point, piece));
const sum = (all: readonly Outline[]) => all.reduce((total, piece) => total + signedAreaOf(piece), 0);

/** How far a point lies from a line. */
function distanceTo(line: Outline, isClosed: boolean, [x, y]: Point): number {
  const ends = isClosed ? [...line.slice(1), line[0]] : line.slice(1);
  return Math.min(
    ...ends.map((to, i) => {
      const [from, dx, dy] = [line[i], to[0] - line[i][0], to[1] - line[i][1]];
      const share = ((x - from[0]) * dx + (y - from[1]) * dy) / (dx * dx + dy * dy);
      const t = Math.max(0, Math.min(1, share));
      return Math.hypot(x - from[0] - t * dx, y - from[1] - t * dy);
    }),
  );
}

describe('a line with a width', () => {
  const corner: Outline = [[0, 0], [10, 0], [10, 10]]; // oxfmt-ignore

  it('ends as its cap says', () => {
    const ends = (cap: Stroke['cap']) => {
      const all = pieces([[0, 0], [10, 0]], false, { cap }); // oxfmt-ignore
      return [[-0.1, 0], [-0.9, 0.9], [-0.9, 0], [10.9, -0.9], [10.9, 0], [11.1, 0]].map((p) => covers(all, p as Point)); // oxfmt-ignore
    };
    expect(ends('butt')).toEqual([false, false, false, false, false, false]);
    expect(ends('square')).toEqual([true, true, true, true, true, false]);
    expect(ends('round')).toEqual([true, false, true, false, true, false]);
    expect(sum(pieces([[0, 0], [10, 0]], false))).toBeCloseTo(20, 9); // oxfmt-ignore
    expect(sum(pieces([[0, 0], [10, 0]], false, { cap: 'square' }))).toBeCloseTo(24, 9); // oxfmt-ignore
  });

  it('is round no finer than its error asks', () => {
    const finest = (width: number) =>
      Math.max(...pieces([[0, 0], [10, 0]], false, { cap: 'round', width }).map(({ length }) => length)); // oxfmt-ignore
    // A chord of half a circle in n parts strays by r (1 − cos(π / 2n)).
    for (const [width, most] of [[0.2, 12], [2, 35], [20, 105]]) expect(finest(width)).toBeLessThan(most); // oxfmt-ignore
    expect(finest(20)).toBeGreaterThan(finest(2));
    // What is as small as the error is as coarse as a triangle.
    expect(pieces([[3, 4]], false, { cap: 'round', width: 2 * ERROR_MM })[0]).toHaveLength(3); // oxfmt-ignore
  });

  it('is round all around both of its ends, whichever way it runs', () => {
    for (let degrees = 0; degrees < 360; degrees += 30) {
      const angle = (degrees * Math.PI) / 180;
      const end: Point = [10 * Math.cos(angle), 10 * Math.sin(angle)];
      const all = pieces([[0, 0], end], false, { cap: 'round' }); // oxfmt-ignore
      for (let turn = -85; turn <= 85; turn += 10) {
        const way = angle + (turn * Math.PI) / 180;
        const [x, y] = [0.98 * Math.cos(way), 0.98 * Math.sin(way)];
        expect(covers(all, [end[0] + x, end[1] + y])).toBe(true);
        expect(covers(all, [-x, -y])).toBe(true);
      }
    }
  });

  it('goes round a corner as its join says, to either side', () => {
    const outside = (join: Partial<Stroke>, line: Outline, way: 1 | -1) => {
      const all = pieces(line, false, join);
      return [[10.4, -0.4], [10.6, -0.6], [10.9, -0.9]].map(([x, y]) => covers(all, [x, way * y])); // oxfmt-ignore
    };
    const mirrored: Outline = corner.map(([x, y]) => [x, -y]);
    for (const [line, way] of [
      [corner, 1],
      [mirrored, -1],
    ] as const) {
      expect(outside({ join: 'bevel' }, line, way)).toEqual([true, false, false]);
      expect(outside({ join: 'round' }, line, way)).toEqual([true, true, false]);
      expect(outside({ join: 'miter' }, line, way)).toEqual([true, true, true]);
      // A right angle reaches √2 half widths out.
      expect(outside({ join: 'miter', miterLimit: 1.42 }, line, way)).toEqual([true, true, true]);
      expect(outside({ join: 'miter', miterLimit: 1.41 }, line, way)).toEqual([true, false, false]);
    }
    // The pointed corner ends where both outer sides meet.
    const all = pieces(corner, false);
    expect([covers(all, [10.999, -0.999]), covers(all, [11.001, -0.999])]).toEqual([true, false]);
  });

  it('goes round a corner as its join says, however the corner lies', () => {
    const outside: Outline = [[10.4, -0.4], [10.6, -0.6], [10.9, -0.9]]; // oxfmt-ignore
    const covered = { bevel: [true, false, false], round: [true, true, false], miter: [true, true, true] };
    for (let degrees = 0; degrees < 360; degrees += 20) {
      const [line] = turned([corner], degrees);
      const [places] = turned([outside], degrees);
      for (const join of ['bevel', 'round', 'miter'] as const) {
        const all = pieces(line, false, { join });
        expect(places.map((place) => covers(all, place))).toEqual(covered[join]);
      }
    }
  });

  it('has nothing to join where it goes straight on', () => {
    expect(pieces([[0, 0], [5, 0], [10, 0]], false)).toHaveLength(2); // oxfmt-ignore
    expect(pieces([[0, 0], [5, 0], [10, 4]], false)).toHaveLength(3); // oxfmt-ignore
  });

  it('that is closed has an edge and a corner more, and no ends', () => {
    const square: Outline = [[0, 0], [10, 0], [10, 10], [0, 10]]; // oxfmt-ignore
    const all = pieces(square, true, { cap: 'round' });
    expect(all).toHaveLength(8);
    expect([covers(all, [0, 5]), covers(all, [-0.9, -0.9]), covers(all, [5, 5])]).toEqual([
      true,
      true,
      false,
    ]);
    expect(covers(pieces(square, false), [0, 5])).toBe(false);
    // Closed by hand as well: the point that stands twice is one.
    expect(pieces([...square, [0, 0]], true)).toHaveLength(8);
  });

  it('that comes back to where it began, and is not closed, keeps its beginning', () => {
    const there: Outline = [[0, 0], [10, 0], [10, 10], [0, 0]]; // oxfmt-ignore
    const all = pieces(there, false);
    expect([covers(all, [5, 5]), covers(all, [5, 0])]).toEqual([true, true]);
    expect(all).toHaveLength(5);
  });

  it('of no length leaves what its cap says', () => {
    const dot = (cap: Stroke['cap']) => sum(pieces([[3, 4], [3, 4]], false, { cap })); // oxfmt-ignore
    expect(dot('butt')).toBe(0);
    expect(dot('square')).toBeCloseTo(4, 9);
    expect(dot('round')).toBeGreaterThan(Math.PI - 0.05);
    expect(dot('round')).toBeLessThanOrEqual(Math.PI);
    expect(covers(pieces([[3, 4]], false, { cap: 'square' }), [3.9, 3.1])).toBe(true);
  });

  it('covers what lies within half its width, and all its pieces turn as material does', () => {
    const place = fc.tuple(fc.integer({ min: -20, max: 20 }), fc.integer({ min: -20, max: 20 }));
    const looked = fc.array(fc.tuple(fc.double({ min: -24, max: 24, noNaN: true }), fc.double({ min: -24, max: 24, noNaN: true })), { minLength: 20, maxLength: 20 }); // oxfmt-ignore
    const round = { width: 5, cap: 'round', join: 'round' } as const;
    fc.assert(
      fc.property(fc.uniqueArray(place, { minLength: 2, maxLength: 6, selector: String }), fc.boolean(), looked, (line, wish, points) => {
        const isClosed = wish && line.length > 2;
        const all = pieces(line, isClosed, round);
        for (const piece of all) expect(signedAreaOf(piece)).toBeGreaterThan(0);
        for (const point of points) {
          const away = distanceTo(line, isClosed, point);
          if (Math.abs(away - 2.5) > 3 * ERROR_MM) expect(covers(all, point)).toBe(away < 2.5);
        }
      }),
    ); // oxfmt-ignore
  });
});
