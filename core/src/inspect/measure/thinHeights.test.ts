import { beforeAll, describe, expect, it } from 'vitest';
import { madeWith } from '../../../test/solids.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import type { Kernel } from '../../solid/index.ts';
import { subjectOf } from './subject.ts';
import { thinHeightsOf } from './thinHeights.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

/** A wall 40 mm long and 30 mm high that is so thick at its foot and at its top. */
const taper = (footMm: number, topMm: number) =>
  subjectOf(
    madeWith(kernel, ({ CrossSection }) =>
      CrossSection.ofPolygons([
        [-footMm / 2, 0],
        [footMm / 2, 0],
        [topMm / 2, 30],
        [-topMm / 2, 30],
      ]) // oxfmt-ignore
        .extrude(40)
        .rotate([90, 0, 0]),
    ),
  );
const asked = (upToMm: number) => ({ upToMm, furthestMm: 3, most: 4 });

describe('heights at which a wall is thin', () => {
  it('begin with the thin end of one that tapers, whichever it is', () => {
    const [top] = thinHeightsOf(taper(6, 0.6), 'walls', asked(1));
    expect(top).toBeGreaterThan(27);
    const [foot] = thinHeightsOf(taper(0.6, 6), 'walls', asked(1));
    expect(foot).toBeLessThan(3);
  });

  it('begin at the very end of each of many narrow faces', () => {
    // A cone’s shell in narrow strips, thin at its top alone.
    const shell = subjectOf(
      madeWith(kernel, ({ Manifold }) =>
        Manifold.cylinder(20, 10, 6, 64).subtract(
          Manifold.cylinder(20.02, 6, 5.6, 64).translate([0, 0, -0.01]),
        ),
      ),
    );
    expect(thinHeightsOf(shell, 'walls', asked(1))[0]).toBeGreaterThan(18.5);
  });

  it('lie where it is as thin as asked for, and nowhere else, and apart', () => {
    // It is 0.6 mm at the top and grows by 0.18 mm with each millimetre down.
    for (const upToMm of [1, 1.8, 2.4]) {
      const heights = thinHeightsOf(taper(6, 0.6), 'walls', asked(upToMm));
      expect(heights.length).toBeGreaterThan(0);
      for (const [i, z] of heights.entries()) {
        expect(0.6 + 0.18 * (30 - z)).toBeLessThanOrEqual(upToMm + 0.01);
        for (const other of heights.slice(i + 1)) expect(Math.abs(other - z)).toBeGreaterThan(0.4);
      }
    }
    expect(thinHeightsOf(taper(6, 2), 'walls', asked(1.5))).toEqual([]);
    expect(thinHeightsOf(taper(6, 0.6), 'walls', { upToMm: 2.4, furthestMm: 3, most: 1 })).toHaveLength(1);
  });

  it('are none for a slit where there is a wall, and the other way about', () => {
    const slit = subjectOf(
      madeWith(kernel, ({ Manifold, CrossSection }) =>
        Manifold.cube([40, 40, 30], true)
          .translate([0, 0, 15])
          .subtract(
            CrossSection.ofPolygons([[-0.2, 5], [0.2, 5], [2, 31], [-2, 31]]).extrude(60).rotate([90, 0, 0]).translate([0, 30, 0]), // oxfmt-ignore
          ),
      ),
    );
    expect(thinHeightsOf(slit, 'walls', asked(1))).toEqual([]);
    const [low] = thinHeightsOf(slit, 'slits', asked(1));
    expect(low).toBeLessThan(9);
    expect(low).toBeGreaterThan(5);
    expect(thinHeightsOf(taper(6, 0.6), 'slits', asked(1))).toEqual([]);
  });
});
