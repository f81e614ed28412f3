import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  bentEdge,
  circlePoints,
  crossingOf,
  cubic,
  isIntricate,
  mirrored,
  moved,
  quadratic,
  regionAreaOf,
  segmentsFor,
  signedAreaOf,
  turned,
  type Point,
} from './index.ts';

const tenths = (low: number, high: number) =>
  fc.integer({ min: low * 10, max: high * 10 }).map((tenth) => tenth / 10);

describe('a circle', () => {
  it('has its corners on the true circle and its full width and depth', () => {
    fc.assert(
      fc.property(tenths(0.1, 300), (diameter) => {
        const outline = circlePoints(diameter / 2);
        for (const [x, y] of outline) expect(Math.hypot(x, y)).toBeCloseTo(diameter / 2, 9);
        const xs = outline.map(([x]) => x);
        expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(diameter, 9);
      }),
    );
  });

  it('strays from the true circle by no more than a fortieth of a nozzle, at sizes that are printed', () => {
    for (const radius of [0.5, 1, 2, 5, 10, 20, 50]) {
      expect(radius * (1 - Math.cos(Math.PI / segmentsFor(radius)))).toBeLessThanOrEqual(0.0101);
    }
  });

  it('turns counter-clockwise, as material does', () => {
    expect(signedAreaOf(circlePoints(10)) / (Math.PI * 100)).toBeCloseTo(1, 2);
  });
});

describe('curves', () => {
  it('bend to the right of the way, by the share of a half circle that they say', () => {
    fc.assert(
      fc.property(tenths(-1, 1), tenths(1, 50), (bend, chord) => {
        const edge = bentEdge([0, 0], [chord, 0], bend);
        const depth = Math.max(...edge.map(([, y]) => -Math.sign(bend) * y));
        expect(edge.at(-1)).toEqual([chord, 0]);
        expect(Math.max(0, depth)).toBeCloseTo((Math.abs(bend) * chord) / 2, 1);
      }),
    );
  });

  it('stay close to the true Bézier curve', () => {
    const [p0, p1, p2, p3]: Point[] = [[0, 0], [10, 30], [40, -20], [50, 0]]; // oxfmt-ignore
    const at = (t: number): Point => [
      (1 - t) ** 3 * p0[0] + 3 * (1 - t) ** 2 * t * p1[0] + 3 * (1 - t) * t * t * p2[0] + t ** 3 * p3[0],
      (1 - t) ** 3 * p0[1] + 3 * (1 - t) ** 2 * t * p1[1] + 3 * (1 - t) * t * t * p2[1] + t ** 3 * p3[1],
    ];
    const line = [p0, ...cubic(p0, p1, p2, p3)];
    for (let i = 0; i <= 200; i++) {
      const [x, y] = at(i / 200);
      const away = line.slice(1).map((b, j) => {
        const a = line[j];
        const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
        const t = Math.min(1, Math.max(0, ((x - a[0]) * dx + (y - a[1]) * dy) / (dx * dx + dy * dy)));
        return Math.hypot(a[0] + t * dx - x, a[1] + t * dy - y);
      });
      expect(Math.min(...away)).toBeLessThan(0.0101);
    }
    expect(quadratic([0, 0], [5, 10], [10, 0]).at(-1)).toEqual([10, 0]);
  });
});

describe('crossings', () => {
  it('are found wherever two edges of one region meet, and nowhere else', () => {
    fc.assert(
      fc.property(tenths(-30, 30), tenths(-30, 30), (dx, dy) => {
        const square: Point[] = [[0, 0], [10, 0], [10, 10], [0, 10]]; // oxfmt-ignore
        const [other] = moved([square], dx, dy);
        const apart = Math.abs(dx) > 10 || Math.abs(dy) > 10;
        const touching = !apart && (Math.abs(dx) === 10 || Math.abs(dy) === 10);
        if (touching || (dx === 0 && dy === 0) || dx === 0 || dy === 0) return;
        expect(crossingOf([square, other]) === undefined).toBe(apart);
      }),
    );
  });

  it('count an edge that runs back over the one before it', () => {
    expect(crossingOf([[[0, 0], [10, 0], [4, 0], [4, 5]]])).toBeDefined(); // oxfmt-ignore
    expect(crossingOf([[[0, 0], [10, 0], [10, 5], [4, 5]]])).toBeUndefined(); // oxfmt-ignore
  });
});

describe('what is intricate', () => {
  /** Squares in a row, of which each crosses the next in two places. */
  const chain = (count: number): Point[][] =>
    Array.from({ length: count }, (_, i) => [[7 * i, 7 * i], [7 * i + 10, 7 * i], [7 * i + 10, 7 * i + 10], [7 * i, 7 * i + 10]]); // oxfmt-ignore

  it('crosses more often than so many times', () => {
    const region = chain(6);
    // Each square also meets its own neighbouring edges at its four corners.
    const own = 6 * 4;
    const among = 2 * 5;
    expect(isIntricate(region, { crossings: own + among, compared: 1e6 })).toBe(false);
    expect(isIntricate(region, { crossings: own + among - 1, compared: 1e6 })).toBe(true);
  });

  it('or has more edges beside each other than are compared', () => {
    const [square] = chain(1);
    // All pairs of its edges have spans in x that overlap or touch, but for its left and its right: five.
    expect(isIntricate([square], { crossings: 1e6, compared: 5 })).toBe(false);
    expect(isIntricate([square], { crossings: 1e6, compared: 4 })).toBe(true);
    expect(isIntricate([square, ...moved([square], 50, 0)], { crossings: 1e6, compared: 10 })).toBe(false);
  });

  it('is no outline by its own corners, the one where it closes included', () => {
    expect(crossingOf([[[0, 0], [10, 0], [5, 8]]])).toBeUndefined(); // oxfmt-ignore
    expect(crossingOf([[[0, 0], [10, 0], [10, 8], [0, 8], [-4, 4]]])).toBeUndefined(); // oxfmt-ignore
    // An edge that is the last lies on the first.
    expect(crossingOf([[[0, 0], [10, 0], [10, 5], [4, 0]]])).toBeDefined(); // oxfmt-ignore
  });
});

describe('regions', () => {
  const shape = [[[0, 0], [6, 0], [6, 2], [2, 2], [2, 5], [0, 5]] as Point[]]; // oxfmt-ignore

  it('keep their area when they are moved, turned and mirrored', () => {
    fc.assert(
      fc.property(tenths(-50, 50), tenths(-360, 360), (mm, deg) => {
        expect(regionAreaOf(mirrored(turned(moved(shape, mm, -mm), deg)))).toBeCloseTo(18, 6);
      }),
    );
  });
});
