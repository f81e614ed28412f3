import { beforeAll, describe, expect, it } from 'vitest';
import { madeWith } from '../../../test/solids.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import type { Kernel } from '../../solid/index.ts';
import { findRoundHoles } from './roundHoles.ts';
import { subjectOf } from './subject.ts';
import { wallAround } from './wallAround.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

/** A plate with a hole of Ø 6 mm at a place, turned about two axes. */
const plate = (x: number, y: number, [tilt, turn]: readonly [number, number] = [0, 0]) =>
  subjectOf(
    madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([40, 30, 8])
        .subtract(Manifold.cylinder(10, 3, 3, 96).translate([x, y, -1]))
        .rotate([tilt, 0, turn])
        .translate([0, 0, 40]),
    ),
  );

describe('the wall around a hole', () => {
  it.each([
    ['the left', 5, 15, 2],
    ['the right', 34, 15, 3],
    ['the front', 20, 4.5, 1.5],
    ['the back', 20, 24, 3],
  ] as const)('is what is left to %s, however the part lies', (_, x, y, expected) => {
    for (const turns of [[0, 0], [0, 37], [90, 20], [55, 10]] as const) {
      const subject = plate(x, y, turns);
      const [hole] = findRoundHoles(subject);
      const { mm, face, at } = wallAround(subject, hole, 8)!;
      expect(Math.abs(mm - expected)).toBeLessThan(0.03);
      expect(hole.triangles).not.toContain(face);
      // Half-way through the wall: from the hole's axis its radius and half of that.
      const away = at.map((each, i) => each - hole.middle[i]);
      const along = away.reduce((sum, each, i) => sum + each * hole.axis[i], 0);
      const across = Math.sqrt(away.reduce((sum, each) => sum + each * each, 0) - along ** 2);
      expect(across).toBeCloseTo(3 + expected / 2, 1);
    } // oxfmt-ignore
  });

  it('is none where all is thicker than what is looked for', () => {
    const subject = plate(20, 15);
    const [hole] = findRoundHoles(subject);
    expect(wallAround(subject, hole, 5)).toBeUndefined();
    expect(wallAround(subject, hole, 13)!.mm).toBeCloseTo(12, 1);
  });

  it('is not what lies above or below it, nor a face that slants away', () => {
    // A blind hole with a floor of half a millimetre.
    const blind = subjectOf(
      madeWith(kernel, ({ Manifold }) =>
        Manifold.cube([30, 30, 8], true)
          .translate([0, 0, 4])
          .subtract(Manifold.cylinder(10, 3, 3, 96).translate([0, 0, 0.5])),
      ),
    );
    const [hole] = findRoundHoles(blind);
    expect(wallAround(blind, hole, 8)).toBeUndefined();
  });
});
