import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { ball, blockWithLyingHole, madeWith, plateWithHole } from '../../../test/solids.ts';
import type { SolidMesh } from '../../mesh/index.ts';
import type { Kernel } from '../../solid/index.ts';
import { classroomLimits, inspect, type CheckResult } from '../index.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

const check = (id: string, mesh: SolidMesh): CheckResult =>
  inspect(mesh, classroomLimits).checks.find((each) => each.id === id)!;

/** A foot with an upright fin on it, turned about the upright axis. */
const fin = (thickMm: number, deg = 0) =>
  madeWith(kernel, ({ Manifold }) =>
    Manifold.cube([30, 20, 2], true)
      .add(Manifold.cube([20, thickMm, 12], true).translate([0, 0, 6]))
      .translate([0, 0, 1])
      .rotate([0, 0, deg]),
  );
/** A bar with a slit from above. */
const slit = (wideMm: number) =>
  madeWith(kernel, ({ Manifold }) =>
    Manifold.cube([30, 10, 10], true)
      .subtract(Manifold.cube([wideMm, 12, 8], true).translate([0, 0, 3]))
      .translate([0, 0, 5]),
  );
const flat = (corners: [number, number][]) =>
  madeWith(kernel, ({ Manifold, CrossSection }) => Manifold.extrude(CrossSection.ofPolygons([corners]), 4));
const star = (points: number, outer: number, inner: number) =>
  flat(
    Array.from({ length: 2 * points }, (_, i) => {
      const radius = i % 2 === 0 ? outer : inner;
      const angle = (Math.PI * i) / points;
      return [radius * Math.cos(angle), radius * Math.sin(angle)];
    }),
  );

describe('walls', () => {
  it.each([0.3, 0.6, 0.8, 0.9, 0.93, 1, 1.1])('of %f mm are measured, however they are turned', (mm) => {
    for (const deg of [0, 30]) {
      const { measured, verdict, findings } = check('wall', fin(mm, deg));
      expect(measured).toBeCloseTo(mm, 2);
      expect(verdict).toBe(mm < 0.9 ? 'fail' : mm < 0.94 ? 'warn' : 'pass');
      expect(findings).toHaveLength(mm < 0.94 ? 1 : 0);
    }
  });

  it('are looked for in necks, and found between a hole and the edge', () => {
    const neck = (mm: number) =>
      madeWith(kernel, ({ Manifold }) =>
        Manifold.cube([10, 10, 3])
          .add(Manifold.cube([10, 10, 3]).translate([14, 0, 0]))
          .add(Manifold.cube([6, mm, 3]).translate([9, 5, 0])),
      );
    expect(check('wall', neck(0.4))).toMatchObject({
      verdict: 'fail',
      measured: expect.closeTo(0.4, 2) as number,
    });
    expect(check('wall', neck(2)).verdict).toBe('pass');
    const thin = madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([20, 20, 4]).subtract(Manifold.cube([10, 10, 6]).translate([0.5, 5, -1])),
    );
    expect(check('wall', thin).measured).toBeCloseTo(0.5, 2);
  });

  it('of sound shapes are not thin at their corners', () => {
    const triangle = flat([[0, 0], [20, 0], [10, 17]]); // oxfmt-ignore
    for (const mesh of [
      triangle,
      star(5, 12, 5),
      star(12, 12, 10),
      ball(kernel),
      plateWithHole(kernel, 5),
      blockWithLyingHole(kernel, 5),
    ]) {
      expect(check('wall', mesh).verdict).toBe('pass');
    }
  });
});

describe('gaps', () => {
  it.each([0.2, 0.35, 0.4, 0.48])('of %f mm are measured', (mm) => {
    const { measured, verdict } = check('gap', slit(mm));
    expect(measured).toBeCloseTo(mm, 2);
    expect(verdict).toBe(mm < 0.4 ? 'fail' : mm < 0.42 ? 'warn' : 'pass');
  });

  it('are told of once, however long they are, and two are two', () => {
    const prong = (x: number) => kernel.Manifold.cube([6, 10, 12]).translate([x, 5, 8]);
    const prongs = (...at: number[]) =>
      madeWith(kernel, ({ Manifold }) =>
        at.reduce((all, x) => all.add(prong(x)), Manifold.cube([40, 20, 10])),
      );
    const told = (mesh: SolidMesh) => check('gap', mesh).findings.map(({ measured }) => measured);
    expect(told(prongs(5, 11.2))).toEqual([expect.closeTo(0.2, 2)]);
    expect(told(prongs(5, 11.2, 17.4))).toHaveLength(2);
  });

  it('are none in what has no slits', () => {
    for (const mesh of [slit(4), fin(1), star(5, 12, 5), ball(kernel)]) {
      expect(check('gap', mesh)).toMatchObject({ verdict: 'pass', measured: null });
    }
  });
});

describe('bodies', () => {
  it('are one for a hollow ball and two for lumps apart', () => {
    const hollow = madeWith(kernel, ({ Manifold }) =>
      Manifold.sphere(10, 32).subtract(Manifold.sphere(6, 32)),
    );
    expect(check('bodies', hollow)).toMatchObject({ verdict: 'pass', measured: 1 });
    const apart = madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([10, 10, 5]).add(Manifold.cube([4, 4, 5]).translate([12, 0, 0])),
    );
    expect(check('bodies', apart)).toMatchObject({ verdict: 'fail', measured: 2 });
    expect(check('bodies', apart).findings[0].at[0]).toBeGreaterThan(11);
    const joined = madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([10, 10, 5]).add(Manifold.cube([4, 4, 5]).translate([9.99, 0, 0])),
    );
    expect(check('bodies', joined)).toMatchObject({ verdict: 'pass', measured: 1 });
  });
});
