import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { madeWith } from '../../../test/solids.ts';
import type { Kernel } from '../../solid/index.ts';
import { subjectOf } from '../measure/subject.ts';
import { thinFloors } from './thinFloors.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

/** The floors thinner than 0.8 mm and at least 0.9 mm wide under a pocket in a block, which leaves 0.4 mm, turned. */
const under = (size: readonly [number, number], deg: number) =>
  thinFloors(
    subjectOf(
      madeWith(kernel, ({ Manifold }) =>
        Manifold.cube([30, 30, 6], true)
          .translate([0, 0, 3])
          .subtract(Manifold.cube([...size, 20], true).translate([0, 0, 10.4]))
          .rotate([0, 0, deg]),
      ),
    ),
    0.8,
    0.9,
  );

describe.each([0, 45, 90, 160])('a thin floor, turned by %d°', (deg) => {
  it('is one where it is as wide as a wall', () => {
    const [floor, ...others] = under([10, 1.4], deg);
    expect(others).toEqual([]);
    expect(floor.mm).toBeCloseTo(0.4, 3);
    expect(floor.at[2]).toBeCloseTo(0.2, 3);
  });

  it('is none where it is narrower than a wall', () => {
    expect(under([10, 0.6], deg)).toEqual([]);
  });
});
