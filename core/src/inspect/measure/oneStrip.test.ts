import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { madeWith } from '../../../test/solids.ts';
import type { Kernel } from '../../solid/index.ts';
import { Strips } from './oneStrip.ts';
import { subjectOf } from './subject.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

/** A wall along x, so thick, with a lump in its middle that is as wide as is said. */
const wall = (thickMm: number, lumpMm: number) =>
  madeWith(kernel, ({ Manifold }) =>
    Manifold.cube([40, thickMm, 10], true).add(Manifold.cube([4, lumpMm, 10], true)),
  );
/** A block along x with a slit so wide, and a chamber in the middle of it. */
const slit = (wideMm: number, chamberMm: number) =>
  madeWith(kernel, ({ Manifold }) =>
    Manifold.cube([60, 20, 10], true).subtract(
      Manifold.cube([40, wideMm, 20], true).add(Manifold.cube([4, chamberMm, 20], true)),
    ),
  );
const placed = (mm: number, x: number, z = 0, y = 0) => ({ at: [x, y, z] as const, mm });

describe.each([0.4, 1, 2.5])('two places that are %f mm wide', (mm) => {
  it('are of one wall or slit where it goes on as wide all the way between them', () => {
    expect(new Strips(subjectOf(wall(mm, mm))).areOne(placed(mm, -15), placed(mm, 16))).toBe(true);
    expect(new Strips(subjectOf(slit(mm, mm))).areOne(placed(mm, -15), placed(mm, 16))).toBe(true);
  });

  it('are of two where it widens between them, or where they are not as high or as wide', () => {
    const widened = mm * 1.6;
    expect(new Strips(subjectOf(wall(mm, widened))).areOne(placed(mm, -15), placed(mm, 16))).toBe(false);
    expect(new Strips(subjectOf(slit(mm, widened))).areOne(placed(mm, -15), placed(mm, 16))).toBe(false);
    const strips = new Strips(subjectOf(wall(mm, mm)));
    expect(strips.areOne(placed(mm, -15), placed(mm, 16, 1))).toBe(false);
    expect(strips.areOne(placed(mm, -15), placed(1.2 * mm, 16))).toBe(false);
  });

  it('are of two where there is air between walls, or material between slits', () => {
    const posts = madeWith(
      kernel,
      ({ Manifold }) =>
      Manifold.cube([mm, mm, 10], true).translate([-15, 0, 0]).add(Manifold.cube([mm, mm, 10], true).translate([16, 0, 0])), // oxfmt-ignore
    );
    expect(new Strips(subjectOf(posts)).areOne(placed(mm, -15), placed(mm, 16))).toBe(false);
  });
});
