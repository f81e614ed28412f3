import { describe, expect, it } from 'vitest';
import { exampleSheets } from '../machine/index.ts';
import type { Region } from '../plane/index.ts';
import { outsideOfSheet, sharedPlate, shiftOnto } from './onSheet.ts';

const sheetNamed = (name: string) => exampleSheets.find((sheet) => sheet.name === name)!;
const laidOn = { widthMm: 220, depthMm: 200, edgeMm: 5 };

/** A square of 20 mm with its middle somewhere. */
function square(id: string, xMm: number, yMm: number, turnDeg = 0) {
  const footprint: Region = [
    [
      [-10, -10],
      [10, -10],
      [10, 10],
      [-10, 10],
    ],
  ];
  return { id, footprint, xMm, yMm, turnDeg };
}

describe('a batch on the plate of another printer', () => {
  it('keeps its middle on the middle of the plate', () => {
    expect(shiftOnto(sheetNamed('Sprout 120'), laidOn)).toEqual([-50, -40]);
    expect(shiftOnto(sheetNamed('Barn Duo 300'), laidOn)).toEqual([40, 25]);
  });

  it('is told of parts that lie beside a smaller plate, or at its very edge', () => {
    const sheet = sheetNamed('Sprout 120');
    // The plate reaches 60 mm from the middle, of which 5 mm are left free: the square's middle may be 45 mm away.
    const parts = [square('in', 155, 100), square('out', 155.1, 100), square('far', 20, 20)];
    expect(outsideOfSheet(parts, laidOn, sheet)).toEqual(['out', 'far']);
  });

  it('is told of corners beside a round plate, and not of the box around it', () => {
    const sheet = sheetNamed('Silo 200');
    // 95 mm may be used from the middle: a corner at (85, 42) is 94.8 mm away, one at (85, 43) is 95.3 mm.
    const parts = [square('in', 110 + 75, 100 + 32), square('out', 110 + 75, 100 + 33)];
    expect(outsideOfSheet(parts, laidOn, sheet)).toEqual(['out']);
    // Turned, its corner points away from the middle.
    expect(outsideOfSheet([square('turned', 110, 182, 45)], laidOn, sheet)).toEqual(['turned']);
    expect(outsideOfSheet([square('turned', 110, 180, 45)], laidOn, sheet)).toEqual([]);
  });

  it('is laid out on what both plates have, to their very corners', () => {
    for (const sheet of exampleSheets) {
      const shared = sharedPlate(laidOn, sheet);
      const [dx, dy] = [laidOn.widthMm - shared.widthMm, laidOn.depthMm - shared.depthMm].map((mm) => mm / 2);
      const at = (x: number, y: number) => square('corner', dx + x, dy + y);
      const inset = shared.edgeMm + 10;
      const corners = [
        at(inset, inset),
        at(shared.widthMm - inset, inset),
        at(shared.widthMm - inset, shared.depthMm - inset),
      ];
      expect([sheet.name, outsideOfSheet(corners, laidOn, sheet)]).toEqual([sheet.name, []]);
    }
    expect(sharedPlate(laidOn, sheetNamed('Barn Duo 300'))).toEqual(laidOn);
    expect(sharedPlate(laidOn, sheetNamed('Sprout 120'))).toEqual({ widthMm: 120, depthMm: 120, edgeMm: 5 });
    expect(sharedPlate(laidOn, sheetNamed('Silo 200')).widthMm).toBeCloseTo(10 + 190 / Math.SQRT2, 9);
  });

  it('finds all of it on a plate of its own size or larger', () => {
    const parts = [square('corner', 15, 15), square('other', 205, 185)];
    expect(outsideOfSheet(parts, laidOn, sheetNamed('Hedge 220'))).toEqual([]);
    expect(outsideOfSheet(parts, laidOn, sheetNamed('Barn Duo 300'))).toEqual([]);
  });
});
