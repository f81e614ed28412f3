import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { crossingOf } from './crossings.ts';
import { bentEdge, CHORD_ERROR_MM, cubic, fineArc, quadratic, segmentsFor } from './curves.ts';
import type { Point } from './region.ts';

const coordinate = fc.integer({ min: -300, max: 300 }).map((tenths) => tenths / 10);
const point = fc.tuple(coordinate, coordinate);
const far = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** A Bézier curve by its corners, as de Casteljau draws it. */
function onCurve(corners: readonly Point[], t: number): Point {
  if (corners.length === 1) return corners[0];
  const between = corners
    .slice(1)
    .map(([x, y], i): Point => [
      corners[i][0] + t * (x - corners[i][0]),
      corners[i][1] + t * (y - corners[i][1]),
    ]);
  return onCurve(between, t);
}

/** How far a place is from a line of points. */
function fromLine(line: readonly Point[], [x, y]: Point): number {
  const away = line.slice(1).map(([bx, by], i) => {
    const [ax, ay] = line[i];
    const [dx, dy] = [bx - ax, by - ay];
    const long = dx * dx + dy * dy;
    const t = long === 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / long));
    return Math.hypot(ax + t * dx - x, ay + t * dy - y);
  });
  return Math.min(...away);
}

describe('a bent edge', () => {
  it('lies on the circle through its ends whose height over the chord is what it says', () => {
    const bends = fc.integer({ min: 2, max: 100 }).map((percent) => percent / 100);
    fc.assert(
      fc.property(point, point, bends, fc.boolean(), (from, to, share, isLeft) => {
        const chord = far(from, to);
        fc.pre(chord > 0.5);
        const bend = isLeft ? -share : share;
        const points = [from, ...bentEdge(from, to, bend)];
        // The top of the arc, to the right of the way where the bend is positive.
        const [ux, uy] = [(to[0] - from[0]) / chord, (to[1] - from[1]) / chord];
        const height = (bend * chord) / 2;
        const [mx, my] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
        const top: Point = [mx + uy * height, my - ux * height];
        const radius = (chord * chord) / (8 * Math.abs(height)) + Math.abs(height) / 2;
        const down = radius / Math.abs(height);
        const middle: Point = [top[0] + (mx - top[0]) * down, top[1] + (my - top[1]) * down];
        for (const each of points) expect(far(each, middle)).toBeCloseTo(radius, 6);
        expect(fromLine(points, top)).toBeLessThan(Math.max(CHORD_ERROR_MM, radius / 50));
        expect(points.at(-1)).toEqual(to);
      }),
    );
  });

  it('is straight where it hardly bends, and where it goes nowhere', () => {
    expect(bentEdge([1, 2], [5, 9], 0)).toEqual([[5, 9]]);
    expect(bentEdge([1, 2], [5, 9], 1e-7)).toEqual([[5, 9]]);
    expect(bentEdge([1, 2], [1, 2], 1)).toEqual([[1, 2]]);
  });
});

it('an arc has edges enough, whatever its share of the circle', () => {
  const sizes = fc.record({
    radius: fc.double({ min: 3, max: 40, noNaN: true }),
    sweep: fc.double({ min: 0.05, max: 6.2, noNaN: true }),
  });
  fc.assert(
    fc.property(sizes, ({ radius, sweep }) => {
      const points = fineArc([2, -3], radius, 1, sweep);
      const step = sweep / (points.length - 1);
      expect(radius * (1 - Math.cos(step / 2))).toBeLessThanOrEqual(CHORD_ERROR_MM * 1.001);
      expect(far(points[0], [2 + radius * Math.cos(1), -3 + radius * Math.sin(1)])).toBeLessThan(1e-9);
    }),
  );
});

it('a curve has as many edges as its greatest second difference asks for', () => {
  const bendAt = (...corners: readonly [Point, Point, Point]) =>
    Math.hypot(
      ...([0, 1] as const).map((axis) => corners[0][axis] - 2 * corners[1][axis] + corners[2][axis]),
    );
  const errors = fc.constantFrom(0.02, 0.1, 0.5);
  const edges = (ratio: number) => Math.max(1, Math.min(200, Math.ceil(Math.sqrt(ratio))));
  fc.assert(
    fc.property(point, point, point, point, errors, (a, b, c, d, error) => {
      // An edge of one n-th of a quadratic curve strays by 2 / 8 n² of it, and one of a cubic by 6 / 8 n².
      expect(quadratic(a, b, c, error)).toHaveLength(edges((2 * bendAt(a, b, c)) / 8 / error));
      const bend = Math.max(bendAt(a, b, c), bendAt(b, c, d));
      expect(cubic(a, b, c, d, error)).toHaveLength(edges((6 * bend) / 8 / error));
    }),
  );
});

describe.each([
  ['a quadratic curve', 3, ([a, b, c]: Point[], error?: number) => quadratic(a, b, c, error)],
  ['a cubic curve', 4, ([a, b, c, d]: Point[], error?: number) => cubic(a, b, c, d, error)],
] as const)('%s', (_, corners, draw) => {
  const any = fc.array(point, { minLength: corners, maxLength: corners });

  it('has its points on the curve, at even steps', () => {
    fc.assert(
      fc.property(any, fc.constantFrom(undefined, 0.05, 0.5), (at, error) => {
        const points = draw(at, error);
        points.forEach((each, i) =>
          expect(far(each, onCurve(at, (i + 1) / points.length))).toBeLessThan(1e-9),
        );
        expect(points.at(-1)).toEqual(at.at(-1));
      }),
    );
  });

  it('strays from the curve by no more than it may, and takes no more edges than that needs twice over', () => {
    fc.assert(
      fc.property(any, fc.constantFrom(0.02, 0.1, 0.5), (at, error) => {
        const points = draw(at, error);
        const line = [at[0], ...points];
        const strays = Array.from({ length: 41 }, (_, i) => fromLine(line, onCurve(at, i / 40)));
        if (points.length < 200) expect(Math.max(...strays)).toBeLessThanOrEqual(error * 1.01);
        // A curve of half as many edges strays four times as far; it would be too far for most.
        const most = Math.max(...at.map(([x, y]) => Math.hypot(x, y)));
        expect(points.length).toBeLessThanOrEqual(Math.ceil(Math.sqrt((8 * most) / error)) + 1);
      }),
    );
  });
});

it('an outline that runs back over itself crosses itself, wherever it begins', () => {
  const folded: Point[] = [[0, 0], [10, 0], [4, 0], [4, 5]]; // oxfmt-ignore
  const sound: Point[] = [[0, 0], [10, 0], [10, 5], [4, 5]]; // oxfmt-ignore
  for (let i = 0; i < 4; i++) {
    const begin = (all: Point[]) => [[...all.slice(i), ...all.slice(0, i)]];
    expect(crossingOf(begin(folded))).toBeDefined();
    expect(crossingOf(begin(sound))).toBeUndefined();
    // Slanted, so that neither direction lies along an axis.
    const slanted = begin(folded.map(([x, y]): Point => [x + y, 2 * x - y]));
    expect(crossingOf(slanted)).toBeDefined();
  }
});

it('three corners on a line fold back, whichever comes first and wherever the line points', () => {
  fc.assert(
    fc.property(point, point, fc.double({ min: 0.1, max: 0.9, noNaN: true }), (a, b, share) => {
      fc.pre(Math.hypot(b[0] - a[0], b[1] - a[1]) > 1);
      const between: Point = [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])];
      for (const triangle of [
        [a, b, between],
        [between, a, b],
        [b, between, a],
      ])
        // oxfmt-ignore
        expect(crossingOf([triangle])).toBeDefined();
      const beside: Point = [between[0] + 0.01 * (b[1] - a[1]), between[1] - 0.01 * (b[0] - a[0])];
      expect(crossingOf([[a, b, beside]])).toBeUndefined();
    }),
  );
});

it('lines that would meet past their ends, or run beside each other, do not cross', () => {
  const frame = (x0: number, y0: number, x1: number, y1: number): Point[] => [[x0, y0], [x1, y0], [x1, y1], [x0, y1]]; // oxfmt-ignore
  const [outer, inner] = [frame(-5, -4, 5, 4), frame(-2, -3, 2, 3)];
  const turned = (all: Point[]) => all.map(([x, y]): Point => [0.8 * x - 0.6 * y, 0.6 * x + 0.8 * y]);
  expect(crossingOf([outer, inner])).toBeUndefined();
  expect(crossingOf([turned(outer), turned(inner)])).toBeUndefined();
  // A corner that lies on a side is where they meet, and it is told there.
  expect(crossingOf([outer, [[5, 0], [8, -1], [8, 1]]])).toEqual([5, 0]); // oxfmt-ignore
  expect(crossingOf([outer, [[5.001, 0], [8, -1], [8, 1]]])).toBeUndefined(); // oxfmt-ignore
});

it('the smallest circles have as many sides as a circle needs', () => {
  for (const radiusMm of [0.001, 0.03, 0.04]) expect(segmentsFor(radiusMm)).toBe(24);
});
