import fc from 'fast-check';
import type { Manifold } from 'manifold-3d';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { madeWith } from '../../../test/solids.ts';
import { subdivided } from '../../../test/wildMeshes.ts';
import type { SolidMesh } from '../../mesh/index.ts';
import type { Kernel } from '../../solid/index.ts';
import { findRoundHoles } from './roundHoles.ts';
import { subjectOf } from './subject.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

const found = (mesh: SolidMesh) => findRoundHoles(subjectOf(mesh));
/** A block of 40 × 30 mm, so thick, about the origin, less what is given. */
const less = (thickMm: number, cut: (k: Kernel) => Manifold, place = (solid: Manifold) => solid) =>
  madeWith(kernel, (k) => place(k.Manifold.cube([40, 30, thickMm], true).subtract(cut(k))));
const degrees = fc.integer({ min: 0, max: 359 });

describe('a round hole', () => {
  it('is found as it was made, in whichever place and however the part lies', () => {
    const holes = fc.record({
      diameterMm: fc.integer({ min: 20, max: 120 }).map((tenths) => tenths / 10),
      sides: fc.constantFrom(8, 12, 24, 48, 96),
      thickMm: fc.integer({ min: 4, max: 12 }),
      x: fc.integer({ min: -10, max: 10 }),
      y: fc.integer({ min: -6, max: 6 }),
      turns: fc.tuple(degrees, degrees, degrees),
      isCutUp: fc.boolean(),
    });
    fc.assert(
      fc.property(holes, ({ diameterMm, sides, thickMm, x, y, turns, isCutUp }) => {
        const radius = diameterMm / 2;
        const made = less(
          thickMm,
          ({ Manifold }) => Manifold.cylinder(2 * thickMm, radius, radius, sides, true).translate([x, y, 0]),
          (solid) => solid.rotate(turns),
        );
        const all = found(isCutUp ? subdivided(made) : made);
        expect(all).toHaveLength(1);
        const [hole] = all;
        expect(hole).toMatchObject({ shape: 'round', through: true });
        // Its corners lie on the circle that was meant.
        expect(hole.diameterMm).toBeCloseTo(diameterMm, 3);
        expect(hole.depthMm).toBeCloseTo(thickMm, 3);
        // Where the axis lies: of the block's own directions, the one up, turned as the block is.
        const [axis, middle] = [[0, 0, 1], [x, y, 0]].map((place) => turned(place, turns)); // oxfmt-ignore
        expect(Math.abs(axis.reduce((sum, each, i) => sum + each * hole.axis[i], 0))).toBeCloseTo(1, 4);
        hole.middle.forEach((each, i) => expect(each).toBeCloseTo(middle[i], 2));
        expect(hole.triangles).toHaveLength(2 * sides * (isCutUp ? 4 : 1));
      }),
      { numRuns: 60 },
    );
  });

  it('is not open where it has a floor, and is so deep as its upright wall', () => {
    const blind = less(10, ({ Manifold }) => Manifold.cylinder(10, 3, 3, 48).translate([0, 0, -2]));
    expect(found(blind)).toMatchObject([{ through: false, depthMm: expect.closeTo(7, 3) as number }]);
    // One that ends in the tip of a drill.
    const drilled = less(10, ({ Manifold }) =>
      Manifold.cylinder(10, 3, 3, 48).add(Manifold.cylinder(2, 0, 3, 48).translate([0, 0, -2])),
    );
    expect(found(drilled)).toMatchObject([{ through: false, depthMm: expect.closeTo(5, 3) as number }]);
  });

  it('is each of the walls of one that becomes wider, and not the slope between them', () => {
    const bored = less(10, ({ Manifold }) =>
      Manifold.cylinder(30, 2, 2, 48, true).add(Manifold.cylinder(10, 4, 4, 48).translate([0, 0, 2])),
    );
    const sizes = found(bored).map(({ diameterMm, depthMm }) => [diameterMm, depthMm].map(Math.round));
    expect(sizes.toSorted(([a], [b]) => a - b)).toEqual([[4, 7], [8, 3]]); // oxfmt-ignore
    const sunk = less(10, ({ Manifold }) =>
      Manifold.cylinder(30, 2, 2, 48, true).add(Manifold.cylinder(4, 0, 4, 48).translate([0, 0, 1.01])),
    );
    expect(found(sunk)).toMatchObject([{ diameterMm: expect.closeTo(4, 1) as number }]);
  });

  it('is neither a ball’s hollow, nor a cone’s, nor a ring’s, nor a slot, nor what is open at its side', () => {
    const cuts: ((k: Kernel) => Manifold)[] = [
      ({ Manifold }) => Manifold.sphere(6, 64).translate([0, 0, 5]),
      ({ Manifold }) => Manifold.sphere(4, 64),
      ({ Manifold }) => Manifold.cylinder(8, 1, 6, 64).translate([0, 0, -2.99]),
      // A groove all around, as for a sealing ring.
      ({ CrossSection }) => CrossSection.circle(2, 32).translate([8, 0]).revolve(64).translate([0, 0, 5]),
      ({ Manifold }) => Manifold.hull([-4, 4].map((x) => Manifold.cylinder(30, 3, 3, 48, true).translate([x, 0, 0]))),
      ({ Manifold }) => Manifold.cylinder(30, 4, 4, 48, true).translate([18, 0, 0]),
    ]; // oxfmt-ignore
    for (const [i, cut] of cuts.entries()) expect([i, found(less(10, cut))]).toEqual([i, []]);
    // A barrel about each axis in turn, whose widest ring is upright.
    const barrel: (k: Kernel) => Manifold = ({ CrossSection }) =>
      CrossSection.circle(4, 64).rotate(180 / 64).intersect(CrossSection.square([8, 20], true).translate([4, 0])).revolve(64); // oxfmt-ignore
    for (const turns of [
      [0, 0, 0],
      [90, 0, 0],
      [0, 90, 0],
      [35, 70, 20],
    ] as [number, number, number][])
      expect(found(less(4, barrel, (solid) => solid.rotate(turns)))).toEqual([]);
    const post = madeWith(kernel, ({ Manifold }) => Manifold.cylinder(20, 4, 4, 48));
    expect(found(post)).toEqual([]);
  });

  it('is one also where it is no deeper than half a layer', () => {
    const recess = less(6, ({ Manifold }) => Manifold.cylinder(5, 3, 3, 24).translate([0, 0, 2.9]));
    expect(found(recess)).toMatchObject([{ through: false, diameterMm: expect.closeTo(6, 3) as number }]);
    expect(found(recess)[0].depthMm).toBeCloseTo(0.1, 3);
  });

  it('is the inside of a tube, and not its outside', () => {
    const tube = madeWith(kernel, ({ Manifold }) =>
      Manifold.cylinder(20, 8, 8, 64, true).subtract(Manifold.cylinder(30, 5, 5, 64, true)),
    );
    expect(found(tube)).toMatchObject([{ diameterMm: expect.closeTo(10, 1) as number, through: true }]);
  });
});

/** A place turned about x, y and z in that order, as the kernel turns. */
function turned(place: readonly number[], turns: readonly [number, number, number]): number[] {
  let at = [...place];
  for (const [axis, deg] of turns.entries()) {
    const [cos, sin] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
    const [u, v] = [(axis + 1) % 3, (axis + 2) % 3];
    at = at.with(u, cos * at[u] - sin * at[v]).with(v, sin * at[u] + cos * at[v]);
  }
  return at;
}
