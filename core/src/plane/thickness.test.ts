import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { circlePoints } from './curves.ts';
import { turned, type Outline, type Region } from './region.ts';
import { thinWalls } from './thickness.ts';

const box = (width: number, depth: number): Outline => [[0, 0], [width, 0], [width, depth], [0, depth]]; // oxfmt-ignore
const regular = (corners: number, outer: number, inner = outer): Region => [
  Array.from({ length: corners }, (_, i): [number, number] => {
    const angle = (2 * Math.PI * i) / corners;
    const radius = i % 2 === 0 ? outer : inner;
    return [radius * Math.cos(angle), radius * Math.sin(angle)];
  }),
];
const width = (region: Region, upToMm = 3) => thinWalls(region, upToMm)[0]?.widthMm;

describe('the thinnest wall', () => {
  it('of a strip is its width, however it lies', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 28 }), fc.integer({ min: 0, max: 359 }), (tenths, deg) => {
        expect(width(turned([box(20, tenths / 10)], deg))).toBeCloseTo(tenths / 10, 6);
      }),
    );
  });

  it('of a ring is the difference of its radii, and of a disc its diameter', () => {
    expect(width([circlePoints(6), circlePoints(4.8).reverse()])).toBeCloseTo(1.2, 1);
    expect(width([circlePoints(0.6)])).toBeCloseTo(1.2, 1);
    expect(width([circlePoints(4)])).toBeUndefined();
  });

  it('is none in a broad shape, whatever corners it has', () => {
    expect(width([box(20, 20)])).toBeUndefined();
    expect(width(regular(3, 10))).toBeUndefined();
    expect(width(regular(12, 10, 5))).toBeUndefined();
    // The corner of an L is sound too.
    const l: Outline = [[0, 0], [20, 0], [20, 8], [8, 8], [8, 20], [0, 20]]; // oxfmt-ignore
    expect(width([l])).toBeUndefined();
  });

  it('is found between a hole and the edge, and in a neck', () => {
    const hole = circlePoints(4).map(([x, y]): [number, number] => [x + 5, y + 10]);
    const holed = thinWalls([box(20, 20), hole.reverse()], 3)[0];
    // A round hole comes so near in one place only; a wall goes on for a little.
    expect(holed.widthMm).toBeGreaterThanOrEqual(1);
    expect(holed.widthMm).toBeLessThan(1.5);
    const neck: Outline = [[0, 0], [8, 0], [8, 3.6], [12, 3.6], [12, 0], [20, 0], [20, 8], [12, 8], [12, 4.4], [8, 4.4], [8, 8], [0, 8]]; // oxfmt-ignore
    const found = thinWalls([neck], 3)[0];
    expect(found.widthMm).toBeCloseTo(0.8, 6);
    expect(found.at[0]).toBeGreaterThan(8);
    expect(found.at[0]).toBeLessThan(12);
  });

  it('is told for the wedge of a knife and not for a blunt tip', () => {
    const tip = (halfWidth: number): Region => [[[0, -halfWidth], [20, 0], [0, halfWidth]]]; // oxfmt-ignore
    expect(width(tip(1))).toBeLessThan(0.3);
    expect(width(tip(8))).toBeUndefined();
  });
});

describe('a wall that tapers', () => {
  /** From 0.4 mm at one end to 3 mm, wider by so much with each millimetre. */
  const taper = (perMm: number): Region => {
    const long = 2.6 / perMm;
    return [[[0, -0.2], [long, -1.5], [long, 1.5], [0, 0.2]]]; // oxfmt-ignore
  };

  // Between 0.65 and 1.3 times a width it is one wall, which is told of if that goes on for twice the width: 0.65 / 2.
  it.each([0.1, 0.2, 0.27, 0.31, 0.32])('by %f mm with each millimetre is one', (perMm) => {
    for (const degrees of [0, 40, 205]) expect(thinWalls(turned(taper(perMm), degrees), 2)).not.toEqual([]);
  });

  it.each([0.335, 0.345, 0.4, 0.5])('by %f mm with each millimetre is a tip', (perMm) => {
    for (const degrees of [0, 40, 205]) expect(thinWalls(turned(taper(perMm), degrees), 2)).toEqual([]);
  });
});

describe('where two round strokes flow together', () => {
  /** Two discs that nearly touch, joined by a bar behind: between them the way narrows to next to nothing. */
  const notch = (radiusMm: number, apartMm: number): Region => {
    const left = circlePoints(radiusMm).map(([x, y]): [number, number] => [x - radiusMm - apartMm / 2, y]);
    return [left, left.map(([x, y]): [number, number] => [-x, y]).reverse()];
  };

  it('is no slit for less than a nozzle is wide', () => {
    // Seen from the air, between discs of 1 mm that are 0.01 mm apart: as narrow for 0.07 mm.
    const air = (region: Region): Region => region.map((outline) => [...outline].reverse());
    expect(thinWalls(air(notch(1, 0.01)), 0.4).every(({ widthMm }) => widthMm > 0.1)).toBe(true);
    // A slit as narrow that goes on for longer is one, and so is a pin that is thinner than a nozzle.
    const slit: Region = [box(10, 10), [[4, 4.99], [4, 5], [5, 5], [5, 4.99]]]; // oxfmt-ignore
    expect(thinWalls(air(slit), 0.4)[0].widthMm).toBeCloseTo(0.01, 6);
    expect(thinWalls([circlePoints(0.15)], 0.4)[0].widthMm).toBeCloseTo(0.3, 2);
  });
});
