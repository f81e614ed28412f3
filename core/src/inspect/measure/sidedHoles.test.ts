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
