import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { madeWith } from '../../../test/solids.ts';
import type { Kernel } from '../../solid/index.ts';
import { jointsOf } from './joints.ts';
import { subjectOf } from './subject.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

type Solid = InstanceType<Kernel['Manifold']>;
const jointsIn = (make: (kernel: Kernel) => Solid) => jointsOf(subjectOf(madeWith(kernel, make), {}), 2);
const box = ({ Manifold }: Kernel, size: [number, number, number], at: [number, number, number]) =>
  Manifold.cube(size).translate(at);

describe('where two lumps hang together', () => {
  it('is told in the middle of a waist, wherever that stands', () => {
    const joints = jointsIn((of) =>
      box(of, [10, 10, 6], [10, 30, 0])
        .add(box(of, [1.2, 1.2, 4], [12, 36, 5]))
        .add(box(of, [10, 10, 6], [10, 30, 8])),
    );
    expect(joints.length).toBeGreaterThan(0);
    // Sections that show the same joint are at its two ends.
    for (const { mm, at } of joints) {
      expect(mm).toBeCloseTo(1.2, 2);
      expect(at[0]).toBeCloseTo(12.6, 2);
      expect(at[1]).toBeCloseTo(36.6, 2);
      expect(Math.abs(at[2] - 7)).toBeLessThan(1);
    }
  });

  it('is told once for each neck of a plate, and for each of several', () => {
    const plate = (of: Kernel) =>
      [0, 20, 40].reduce(
        (sum: Solid, x) => sum.add(box(of, [12, 12, 4], [x, 0, 0])),
        box(of, [52, 1, 4], [0, 5, 0]),
      );
    const joints = jointsIn(plate);
    expect(joints).toHaveLength(2);
    for (const { mm } of joints) expect(mm).toBeCloseTo(1, 1);
    expect(joints.map(({ at }) => Math.round(at[0] / 20)).sort()).toEqual([1, 2]);
  });
});
