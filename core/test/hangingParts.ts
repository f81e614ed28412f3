import type { Manifold } from 'manifold-3d';
import type { Kernel } from '../src/solid/index.ts';
import { madeWith } from './solids.ts';
import type { SolidMesh } from '../src/mesh/index.ts';

/** A part of which something hangs. */
export interface HangingPart {
  readonly name: string;
  make(kernel: Kernel): SolidMesh;
}

const family = <T>(
  values: readonly T[],
  name: (value: T) => string,
  make: (k: Kernel, value: T) => Manifold,
) =>
  values.map((value): HangingPart => ({
    name: name(value),
    make: (kernel) => madeWith(kernel, (k) => make(k, value)),
  }));

const foot = ({ Manifold }: Kernel, highMm: number) => Manifold.cube([10, 10, highMm]);

/** Sixty parts that cannot be printed without supports. */
export const hangingParts: readonly HangingPart[] = [
  ...family(
    [6, 8, 10, 12, 16, 20, 26, 32],
    (mm) => `a shelf that reaches out ${mm} mm`,
    (k, mm) => foot(k, 16).add(k.Manifold.cube([mm, 10, 3]).translate([10, 0, 11])),
  ),
  ...family(
    [14, 16, 18, 22, 26, 32, 40, 48],
    (mm) => `a portal of ${mm} mm`,
    (k, mm) =>
      k.Manifold.cube([mm + 12, 10, 15]).subtract(k.Manifold.cube([mm, 12, 11]).translate([6, -1, -1])),
  ),
  ...family(
    [52, 56, 60, 64, 68, 72, 76, 80],
    (deg) => `a funnel that leans by ${deg}°`,
    (k, deg) => k.Manifold.cylinder(6, 5, 5 + 6 * Math.tan((deg * Math.PI) / 180), 64),
  ),
  ...family(
    [6, 8, 10, 12, 15, 18],
    (mm) => `a mushroom with a hat of ${mm} mm`,
    (k, mm) =>
      k.Manifold.cylinder(10, 3.5, 3.5, 48).add(k.Manifold.cylinder(3, mm, mm, 48).translate([0, 0, 10])),
  ),
  ...family(
    [5, 7, 9, 11, 14],
    (mm) => `a ball of ${mm} mm`,
    (k, mm) => k.Manifold.sphere(mm, 48).translate([0, 0, mm]),
  ),
  ...family(
    [48, 52, 55, 58, 62, 66],
    (deg) => `a bar that stands at ${deg}°`,
    (k, deg) =>
      k.Manifold.cube([8, 8, 30], true).rotate([0, deg, 0]).translate([0, 0, 20]).trimByPlane([0, 0, 1], 8).translate([0, 0, -8]), // oxfmt-ignore
  ),
  ...family(
    [2, 3, 4, 6, 8],
    (mm) => `pegs of ${mm} mm under a table`,
    (k, mm) =>
      [-1, 1].reduce(
        (all, side) => all.add(k.Manifold.cube([mm, mm, 6], true).translate([side * 7, 0, 9])),
        foot(k, 4).translate([-5, -5, 0]).add(k.Manifold.cube([6, 6, 12]).translate([-3, -3, 0])).add(k.Manifold.cube([30, 12, 3], true).translate([0, 0, 13.5])), // oxfmt-ignore
      ),
  ),
  ...family(
    [17, 18, 20, 22, 24],
    (mm) => `a lying tunnel of Ø ${mm} mm over a floor`,
    (k, mm) =>
      k.Manifold.cube([mm + 8, 14, mm + 8], true)
        .subtract(k.Manifold.cylinder(20, mm / 2, mm / 2, 64, true).rotate([90, 0, 0]))
        .translate([0, 0, mm / 2 + 4]),
  ),
  ...family(
    [3, 5, 8, 12],
    (mm) => `two shelves ${mm} mm apart`,
    (k, mm) =>
      foot(k, 14 + mm)
        .add(k.Manifold.cube([14, 10, 2]).translate([10, 0, 6]))
        .add(k.Manifold.cube([14, 10, 2]).translate([10, 0, 8 + mm])),
  ),
  ...family(
    [6, 9, 12, 15, 18],
    (mm) => `a cross with arms of ${mm} mm`,
    (k, mm) =>
      foot(k, 18).add(k.Manifold.cube([10 + 2 * mm, 6, 6]).translate([-mm, 2, 9])).add(k.Manifold.cube([6, 10 + 2 * mm, 6]).translate([2, -mm, 9])), // oxfmt-ignore
  ),
];
