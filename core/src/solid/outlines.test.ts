import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Outline } from '../recipe/index.ts';
import { circle, roundedRectangle, segmentsFor } from './outlines.ts';

function areaOf(outline: Outline): number {
  return outline.reduce((sum, [x, y], i) => {
    const [nx, ny] = outline[(i + 1) % outline.length];
    return sum + (x * ny - nx * y) / 2;
  }, 0);
}

const tenths = (low: number, high: number) =>
  fc.integer({ min: low * 10, max: high * 10 }).map((tenth) => tenth / 10);

describe('a circle', () => {
  it('has its corners on the true circle and its full width and depth', () => {
    fc.assert(
      fc.property(tenths(0.1, 300), (diameter) => {
        const [outline] = circle(diameter);
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
    const [outline] = circle(20);
    expect(areaOf(outline) / (Math.PI * 100)).toBeCloseTo(1, 2);
  });
});

describe('a rounded rectangle', () => {
  it('has the area of the rectangle less its corners, for any size and any corner that fits', () => {
    fc.assert(
      fc.property(
        tenths(2, 100),
        tenths(2, 100),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (width, depth, share) => {
          const corner = (share * Math.min(width, depth)) / 2;
          const [outline] = roundedRectangle(width, depth, corner);
          const exact = width * depth - (4 - Math.PI) * corner ** 2;
          // Straight edges cut the corners' arcs short, by no more than the arcs' length times the chords' error.
          const lost = exact - areaOf(outline);
          expect(lost).toBeGreaterThan(-1e-9);
          expect(lost).toBeLessThanOrEqual(2 * Math.PI * corner * 0.005 + 1e-9);
        },
      ),
    );
  });

  it('has no corner twice, not even where two arcs meet', () => {
    for (const [width, depth, corner] of [
      [20, 20, 10],
      [30, 20, 10],
      [30, 20, 0],
      [5, 5, 0.1],
    ]) {
      const [outline] = roundedRectangle(width, depth, corner);
      outline.forEach(([x, y], i) => {
        const [nx, ny] = outline[(i + 1) % outline.length];
        expect(Math.hypot(nx - x, ny - y)).toBeGreaterThan(1e-6);
      });
    }
  });

  it('is as wide and deep as it says', () => {
    const [outline] = roundedRectangle(70, 25, 4);
    const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
    expect([Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]).toEqual(
      [-35, 35, -12.5, 12.5].map((value) => expect.closeTo(value, 9) as number),
    );
  });
});
