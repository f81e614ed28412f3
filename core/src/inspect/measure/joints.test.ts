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

  it.each([0, 30, 75, 120, 200, 310])(
    'is told in the middle of a neck, with its sides, turned by %d°',
    (deg) => {
      // Two lumps, and between them 8 mm of a bar that is 1 mm wide, at some distance from the origin.
      const make = (of: Kernel) =>
        box(of, [12, 12, 4], [-16, -6, 0])
          .add(box(of, [12, 12, 4], [4, -6, 0]))
          .add(box(of, [10, 1, 4], [-5, -0.5, 0]))
          .rotate([0, 0, deg])
          .translate([50, -20, 0]);
      const subject = subjectOf(madeWith(kernel, make), {});
      const joints = jointsOf(subject, 2);
      // One, or one at either end of the bar.
      expect([1, 2]).toContain(joints.length);
      const [cos, sin] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
      const { normals: n } = subject.faces;
      for (const { mm, at, faces } of joints) {
        expect(mm).toBeCloseTo(1, 2);
        const [dx, dy] = [at[0] - 50, at[1] + 20];
        // Across the neck it is in the middle, and along it somewhere on the bar.
        expect(dy * cos - dx * sin).toBeCloseTo(0, 1);
        expect(Math.abs(dx * cos + dy * sin)).toBeLessThanOrEqual(4.01);
        for (const face of faces) expect(Math.abs(n[3 * face + 2])).toBeLessThan(1e-6);
      }
      expect(jointsOf(subject, 0.9)).toEqual([]);
    },
  );

  it('is told for a wedge that cuts in from both sides, from notch to notch', () => {
    const make = (of: Kernel) => {
      const notch = (y: number, way: 1 | -1) =>
        of.CrossSection.ofPolygons([[-5, y + 9 * way], [0, y], [5, y + 9 * way]], 'NonZero').extrude(10).translate([0, 0, -3]); // oxfmt-ignore
      return box(of, [40, 16, 4], [-20, -8, 0]).subtract(notch(0.6, 1)).subtract(notch(-0.6, -1));
    };
    const joints = jointsIn(make);
    expect(joints).toHaveLength(1);
    // Notches of 58° are wider apart by 0.04 mm just a hundredth of a millimetre beside their tips.
    expect(joints[0].mm).toBeGreaterThanOrEqual(1.2);
    expect(joints[0].mm).toBeLessThan(1.25);
    expect(Math.hypot(joints[0].at[0], joints[0].at[1])).toBeLessThan(0.05);
  });

  it('is none where what hangs together there is hardly wider', () => {
    const notched = (wideMm: number) => (of: Kernel) =>
      box(of, [24, wideMm, 4], [-12, -wideMm / 2, 0])
        .subtract(box(of, [2, 5, 8], [-1, 0.5, -2]))
        .subtract(box(of, [2, 5, 8], [-1, -5.5, -2]));
    expect(jointsIn(notched(1.3))).toEqual([]);
    expect(jointsIn(notched(8))).toHaveLength(1);
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
