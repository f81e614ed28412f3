import fc from 'fast-check';
import { beforeAll, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { madeWith } from '../../../test/solids.ts';
import type { Kernel } from '../../solid/index.ts';
import { sidedHoles } from './sidedHoles.ts';
import { subjectOf } from './subject.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

/** The square holes of a table of 30 mm over a floor: its top from 10 to 14 mm, with a hole of 4 mm so deep from above. */
const inTable = (deepMm: number) =>
  sidedHoles(
    subjectOf(
      madeWith(kernel, ({ Manifold }) =>
        Manifold.cube([30, 30, 2])
          .add(Manifold.cube([3, 30, 14]))
          .add(Manifold.cube([3, 30, 14]).translate([27, 0, 0]))
          .add(Manifold.cube([30, 30, 4]).translate([0, 0, 10]))
          .subtract(Manifold.cube([4, 4, deepMm]).translate([13, 13, 14 - deepMm])),
      ),
      {},
    ),
    new Set(),
  );

it('go through where nothing closes them, whatever lies further away', () => {
  expect(inTable(4)).toMatchObject([
    {
      shape: 'square',
      through: true,
      diameterMm: expect.closeTo(4, 3) as number,
      depthMm: expect.closeTo(4, 3) as number,
    },
  ]);
  expect(inTable(3)).toMatchObject([
    { shape: 'square', through: false, depthMm: expect.closeTo(3, 3) as number },
  ]);
});

const shapes = { 3: 'three-sided', 4: 'square', 5: 'many-sided', 6: 'six-sided', 7: 'many-sided' } as const;

it('are found as they were made, in whichever place and however the part lies', () => {
  const degrees = fc.integer({ min: 0, max: 359 });
  const made = fc.record({
    sides: fc.constantFrom(3, 4, 5, 6, 7),
    innerMm: fc.integer({ min: 20, max: 60 }).map((tenths) => tenths / 10),
    thickMm: fc.integer({ min: 3, max: 9 }),
    x: fc.integer({ min: -8, max: 8 }),
    y: fc.integer({ min: -5, max: 5 }),
    turns: fc.tuple(degrees, degrees, degrees),
    spinDeg: degrees,
  });
  fc.assert(
    fc.property(made, ({ sides, innerMm, thickMm, x, y, turns, spinDeg }) => {
      const corner = innerMm / 2 / Math.cos(Math.PI / sides);
      const subject = subjectOf(
        madeWith(kernel, ({ Manifold }) =>
          Manifold.cube([44, 34, thickMm], true)
            .subtract(
              Manifold.cylinder(3 * thickMm, corner, corner, sides, true)
                .rotate([0, 0, spinDeg])
                .translate([x, y, 0]),
            )
            .rotate(turns),
        ),
      );
      const holes = sidedHoles(subject, new Set());
      expect(holes).toHaveLength(1);
      const [hole] = holes;
      expect(hole).toMatchObject({ shape: shapes[sides as keyof typeof shapes], through: true });
      expect(hole.diameterMm).toBeCloseTo(innerMm, 2);
      expect(hole.depthMm).toBeCloseTo(thickMm, 3);
      // The middle of the plate is the origin, however it lies: the hole's middle is as far from it as it was put.
      expect(Math.hypot(...hole.middle)).toBeCloseTo(Math.hypot(x, y), 2);
      expect(hole.middle.reduce((sum, each, i) => sum + each * hole.axis[i], 0)).toBeCloseTo(0, 2);
      expect(hole.triangles).toHaveLength(2 * sides);
    }),
    { numRuns: 40 },
  );
});

it('are none where nothing goes all the way around, and none that are taken', () => {
  const notched = subjectOf(
    madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([30, 30, 6], true).subtract(Manifold.cube([6, 6, 20], true).translate([15, 0, 0])),
    ),
  );
  expect(sidedHoles(notched, new Set())).toEqual([]);
  // As a channel for a cable, whose cover has a slit along it.
  const slit = subjectOf(
    madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([30, 30, 6], true)
        .subtract(Manifold.cube([10, 10, 20], true))
        .subtract(Manifold.cube([12, 2.4, 20], true).translate([10, 0, 0])),
    ),
  );
  expect(sidedHoles(slit, new Set())).toEqual([]);
  const slot = subjectOf(
    madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([30, 30, 6], true).subtract(Manifold.cube([4, 12, 20], true)),
    ),
  );
  expect(sidedHoles(slot, new Set())).toEqual([]);
  const square = subjectOf(
    madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([30, 30, 6], true).subtract(Manifold.cube([5, 5, 20], true)),
    ),
  );
  const [hole] = sidedHoles(square, new Set());
  expect(sidedHoles(square, new Set(hole.triangles))).toEqual([]);
  // A square post has its corners the other way round.
  const post = subjectOf(madeWith(kernel, ({ Manifold }) => Manifold.cube([5, 5, 20], true)));
  expect(sidedHoles(post, new Set())).toEqual([]);
});
