import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { circlePoints } from './curves.ts';
import { largestFit } from './largestFit.ts';
import { moved, reversed, scaled, turned, type Outline, type Point, type Region } from './region.ts';
import { Enclosure } from './enclosure.ts';

const box = (width: number, depth: number, x = 0, y = 0): Outline => [[x - width / 2, y - depth / 2], [x + width / 2, y - depth / 2], [x + width / 2, y + depth / 2], [x - width / 2, y + depth / 2]]; // oxfmt-ignore
const disc = (diameter: number, x = 0, y = 0): Outline =>
  circlePoints(diameter / 2).map(([px, py]) => [px + x, py + y]);
const sizes = { least: 0.5, most: 300 };
const square = (size: number): Region => [box(size, size)];

describe('the largest size at which a shape fits', () => {
  // Discs are polygons, which costs them up to a third of a percent.
  it.each([
    ['a square in a rectangle', square, [box(30, 12)], 12],
    ['a square in a disc', square, [disc(20)], 20 / Math.SQRT2],
    ['a bar in a disc', (size: number) => [box(3 * size, size)], [disc(20)], 20 / Math.hypot(3, 1)],
    ['a disc in a square', (size: number) => [disc(size)], [box(17, 17)], 17],
    // By its box it would be as large as the disc's inscribed square.
    ['a disc in a disc', (size: number) => [disc(size)], [disc(17)], 17],
    ['a diamond in a square', (size: number) => turned(square(size), 45), [box(20, 20)], 20 / Math.SQRT2],
    // Half of what a hole in the middle leaves.
    ['a square beside a hole', square, [box(40, 10), disc(10).toReversed()], 10],
    [
      'two squares over a hole between them',
      (size: number) => [box(size, size, -1.5 * size), box(size, size, 1.5 * size)],
      [box(40, 10), disc(6).toReversed()],
      10,
    ],
  ] as const)('is known for %s', (_, shapeAt, room, expected) => {
    const { size } = largestFit(shapeAt as (size: number) => Region, room as unknown as Region, sizes)!;
    expect(size / expected).toBeGreaterThan(0.997);
    expect(size / expected).toBeLessThan(1.0005);
  });

  it('leaves as much on one side as on the other', () => {
    const { middle } = largestFit(square, [box(30, 12, 7, -3)], sizes)!;
    expect(middle[0]).toBeCloseTo(7, 2);
    expect(middle[1]).toBeCloseTo(-3, 2);
  });

  it('goes where the room is largest', () => {
    const room = [box(10, 10, -20), box(14, 14, 20)];
    const { size, middle } = largestFit(square, room, sizes)!;
    expect(size).toBeCloseTo(14, 1);
    expect(middle[0]).toBeCloseTo(20, 1);
  });

  it('lies in the middle of all places that are alike', () => {
    for (const [x, y] of [[50, 0], [-50, 30], [0, 200]] as Point[]) {
      const rooms = [box(10, 10, x - 20, y), box(10, 10, x, y), box(10, 10, x + 20, y)];
      const { middle } = largestFit(square, rooms, { least: 0.5, most: 6 })!;
      expect(middle[0]).toBeCloseTo(x, 2);
      expect(middle[1]).toBeCloseTo(y, 2);
    } // oxfmt-ignore
  });

  it('is known for what is thinner than a cell', () => {
    const room = [box(60, 6), box(4, 40, 50)];
    for (const thin of [0.02, 0.15]) {
      const { size, middle } = largestFit((mm) => [box(thin, mm)], room, sizes)!;
      expect(size).toBeCloseTo(40, 1);
      expect(middle[0]).toBeCloseTo(50, 2);
    }
    const wide = largestFit((mm) => [box(mm, 0.02)], room, sizes)!;
    expect(wide.size).toBeCloseTo(60, 1);
  });

  it('is none where nothing fits, and no more than is allowed', () => {
    expect(largestFit(square, [box(0.4, 9)], sizes)).toBeUndefined();
    expect(largestFit(square, [], sizes)).toBeUndefined();
    expect(largestFit(square, [box(900, 900)], sizes)!.size).toBeCloseTo(300, 0);
  });

  it('never lets anything stick out, whatever the room, and is within two percent of where it was put in by hand', () => {
    const shape = fc.constantFrom<(size: number) => Region>(
      square,
      (size) => [disc(size)],
      (size) => [box(3 * size, size / 2), box(size / 2, 2 * size)],
      (size) => [disc(size), reversed([disc(size / 2)])[0]],
    );
    fc.assert(
      fc.property(
        shape,
        fc.array(fc.tuple(fc.integer({ min: 60, max: 100 }), fc.integer({ min: 1, max: 100 })), {
          minLength: 5,
          maxLength: 14,
        }),
        (shapeAt, spokes) => {
          // A star-like room around the origin.
          const room: Region = [
            spokes.map(([share, more], i) => {
              const angle = (2 * Math.PI * i) / spokes.length;
              const mm = (share / 5) * (1 + more / 400);
              return [mm * Math.cos(angle), mm * Math.sin(angle)];
            }),
          ];
          const fit = largestFit(shapeAt, room, sizes)!;
          const enclosure = new Enclosure(room);
          expect(enclosure.holds(shapeAt(fit.size * 0.9999), fit.middle)).toBe(true);
          // No other place on a coarse net of its own holds a size that is 2 % larger.
          const larger = scaled(shapeAt(fit.size), 1.02);
          for (let x = -20; x <= 20; x += 0.7)
            for (let y = -20; y <= 20; y += 0.7)
              if (enclosure.holds(larger, [x, y])) expect.fail(`${fit.size} is not the largest: ${x} ${y}`);
        },
      ),
      { numRuns: 25 },
    );
  });
});

describe('whether a shape lies in a room', () => {
  const enclosure = new Enclosure([box(20, 10), disc(4).toReversed()]);
  it.each([
    ['in it', [disc(4, 6)], true],
    ['over its border', [disc(4, 9)], false],
    ['outside', [disc(4, 30)], false],
    ['in its hole', [disc(2)], false],
    ['around its hole', [disc(8)], false],
    ['around all of it', [box(50, 50)], false],
    ['around its hole with a hole of its own', [disc(8), disc(5).toReversed()], true],
  ] as const)('is known %s', (_, shape, expected) => {
    expect(enclosure.holds(shape as unknown as Region, [0, 0])).toBe(expected);
    expect(enclosure.holds(moved(shape as unknown as Region, -3, 1), [3, -1])).toBe(expected);
  });
});
