import type { Manifold } from 'manifold-3d';
import { beforeAll, describe, expect, it } from 'vitest';
import { ball, blockWithLyingHole, lyingRod, madeWith, plateWithHole } from '../../test/solids.ts';
import { boxMesh } from '../../test/meshes.ts';
import { subdivided } from '../../test/wildMeshes.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import type { SolidMesh } from '../mesh/index.ts';
import type { Kernel } from '../solid/index.ts';
import { classroomLimits, inspect, type CheckResult, type LimitsCard } from './index.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

function check(id: string, mesh: SolidMesh, limits: Partial<LimitsCard> = {}): CheckResult {
  return inspect(mesh, { ...classroomLimits, ...limits }).checks.find((each) => each.id === id)!;
}

describe('hole', () => {
  it.each([1, 1.5, 2, 2.5, 3, 4, 5, 6])('measures an upright hole of Ø %f mm', (diameter) => {
    const { measured, verdict, findings } = check('hole', plateWithHole(kernel, diameter));
    expect(measured).toBeCloseTo(diameter, 2);
    expect(verdict).toBe(diameter < 2 ? 'fail' : diameter < 2.1 ? 'warn' : 'pass');
    expect(findings).toHaveLength(1);
    expect(findings[0].hole).toMatchObject({ through: true });
    expect(findings[0].hole!.depthMm).toBeCloseTo(6, 2);
    expect(Math.abs(findings[0].hole!.axis[2])).toBeCloseTo(1, 3);
    expect(findings[0].at).toEqual([0, 0, 3].map((value) => expect.closeTo(value, 2)));
  });

  it.each([1, 2, 3, 4, 5, 6])('measures a lying hole of Ø %f mm', (diameter) => {
    const { measured, findings } = check('hole', blockWithLyingHole(kernel, diameter));
    expect(measured).toBeCloseTo(diameter, 2);
    expect(Math.abs(findings[0].hole!.axis[0])).toBeCloseTo(1, 3);
    expect(findings[0].hole!.depthMm).toBeCloseTo(30, 2);
  });

  it.each([8, 12, 16, 24, 100, 200, 241, 500, 1500])(
    'measures holes of %i sides alike, also with each triangle cut in four',
    (segments) => {
      const plate = plateWithHole(kernel, 4, 6, segments);
      expect(check('hole', plate).measured).toBeCloseTo(4, 2);
      if (segments < 300) expect(check('hole', subdivided(plate)).measured).toBeCloseTo(4, 2);
    },
  );

  it('takes no narrow slot for a hole as wide as it is long', () => {
    const slot = madeWith(kernel, ({ Manifold, CrossSection }) => {
      const end = CrossSection.circle(0.15, 24);
      const outline = CrossSection.hull([end.translate([-7.85, 0]), end.translate([7.85, 0])]);
      return Manifold.cube([40, 30, 6], true).subtract(outline.extrude(8).translate([0, 0, -4]));
    });
    expect(check('hole', slot).findings).toEqual([]);
    expect(check('gap', slot)).toMatchObject({ verdict: 'fail', measured: expect.closeTo(0.3, 2) as number });
  });

  it('measures a hole at a slant', () => {
    const slanted = madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([40, 30, 20], true).subtract(
        Manifold.cylinder(80, 1.5, 1.5, 40, true).rotate([25, 30, 0]),
      ),
    );
    expect(check('hole', slanted).measured).toBeCloseTo(3, 2);
  });

  it('tells a blind hole from one that goes through, also with a drill tip', () => {
    const blind = madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([20, 20, 10]).subtract(
        Manifold.cylinder(10, 2, 2, 32)
          .add(Manifold.cylinder(2, 0.001, 2, 32).translate([0, 0, -2]))
          .translate([10, 10, 4]),
      ),
    );
    const { findings } = check('hole', blind);
    expect(findings).toHaveLength(1);
    expect(findings[0].hole).toMatchObject({ through: false });
    expect(findings[0].hole!.depthMm).toBeCloseTo(6, 2);
  });

  it('reports both widths of a counterbored hole, and no hole for its countersink', () => {
    const counterbored = madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([20, 20, 8])
        .subtract(Manifold.cylinder(20, 1.5, 1.5, 32, true).translate([10, 10, 4]))
        .subtract(Manifold.cylinder(4, 3, 3, 32).translate([10, 10, 5])),
    );
    const widths = check('hole', counterbored).findings.map(({ measured }) => measured);
    expect(widths).toEqual([expect.closeTo(3, 2), expect.closeTo(6, 2)]);
    const countersunk = madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([20, 20, 8])
        .subtract(Manifold.cylinder(20, 1.5, 1.5, 32, true).translate([10, 10, 4]))
        .subtract(Manifold.cylinder(3, 1.5, 4.5, 32).translate([10, 10, 5.0001])),
    );
    expect(check('hole', countersunk).findings.map(({ measured }) => measured)).toEqual([
      expect.closeTo(3, 2),
    ]);
  });

  it('finds no hole in a rod, a ball, a hollow ball, a ring, a slot, a rounded pocket or a cone', () => {
    const shapes: SolidMesh[] = [
      lyingRod(kernel, 'facet'),
      ball(kernel),
      madeWith(kernel, ({ Manifold }) => Manifold.sphere(10, 64).subtract(Manifold.sphere(6, 64))),
      madeWith(kernel, ({ Manifold, CrossSection }) =>
        Manifold.revolve(CrossSection.circle(3, 48).translate([10, 0]), 96),
      ),
      madeWith(kernel, ({ Manifold, CrossSection }) =>
        Manifold.cube([30, 20, 5]).subtract(
          Manifold.extrude(
            CrossSection.square([10, 0.01], true).offset(2, 'Round', 2, 32),
            20,
            0,
            0,
            [1, 1],
            true,
          ).translate([15, 10, 0]),
        ),
      ),
      madeWith(kernel, ({ Manifold, CrossSection }) =>
        Manifold.cube([30, 20, 5]).subtract(
          Manifold.extrude(
            CrossSection.square([10, 8], true).offset(2, 'Round', 2, 32),
            20,
            0,
            0,
            [1, 1],
            true,
          ).translate([15, 10, 0]),
        ),
      ),
      madeWith(kernel, ({ Manifold }) =>
        Manifold.cube([30, 30, 10]).subtract(Manifold.cylinder(12, 3, 9, 64).translate([15, 15, -1])),
      ),
    ];
    expect(shapes.map((mesh) => check('hole', mesh).measured)).toEqual(shapes.map(() => null));
  });
});

describe('base', () => {
  it('measures the area that touches the plate', () => {
    const { measured, verdict } = check('base', plateWithHole(kernel, 4, 6, 96));
    expect(measured! / (40 * 30 - Math.PI * 4)).toBeCloseTo(1, 3);
    expect(verdict).toBe('pass');
  });

  it('is a spot under a ball, which stands on a point', () => {
    const { measured, verdict, findings } = check('base', ball(kernel));
    expect(measured).toBeLessThan(10);
    expect(verdict).toBe('fail');
    expect(findings[0].message).toContain('a line or a point');
  });

  it.each(['edge', 'facet'] as const)(
    'is a strip under a rod that lies on its %s, as wide as a layer makes it',
    (on) => {
      // A circle of Ø 10, half a layer above its lowest point.
      const { measured, verdict } = check('base', lyingRod(kernel, on));
      expect(measured! / (40 * 2 * Math.sqrt(10 * 0.1 - 0.01))).toBeCloseTo(1, 1);
      expect(verdict).toBe('pass');
    },
  );

  it('is as large tilted by a fifth of a degree, with a burr, and engraved by less than a layer, as it is laid', () => {
    const plate = () => kernel.Manifold.cube([40, 30, 5]);
    const base = (make: () => Manifold) => check('base', madeWith(kernel, make)).measured!;
    expect(base(plate)).toBe(1200);
    // Along 40 mm it rises by 0.14 mm, so that half a layer reaches 28.6 mm far.
    expect(base(() => plate().rotate([0, -0.2, 0])) / (30 * (0.1 / Math.tan((0.2 * Math.PI) / 180)))).toBeCloseTo(1, 2); // oxfmt-ignore
    const burr = kernel.Manifold.cube([0.5, 0.5, 1]).translate([20, 15, -0.04]);
    expect(base(() => plate().add(burr))).toBeCloseTo(1200, 3);
    const sunk = kernel.Manifold.cube([10, 10, 0.15]).translate([5, 5, 0]);
    expect(base(() => plate().subtract(sunk))).toBeCloseTo(1100, 3);
    const bridge = check(
      'bridge',
      madeWith(kernel, () => plate().subtract(sunk)),
    );
    expect([bridge.verdict, bridge.measured]).toEqual(['pass', null]);
  });
});

describe('size', () => {
  const box = (x: number, y: number, z: number) =>
    madeWith(kernel, ({ Manifold }) => Manifold.cube([x, y, z]));

  it('measures along the axis that uses most of its allowance', () => {
    expect(check('size', box(100, 30, 5))).toMatchObject({ measured: 100, limit: 220, verdict: 'pass' });
    expect(check('size', box(60, 60, 60))).toMatchObject({ measured: 60, limit: 180, verdict: 'pass' });
  });

  it('fails what is too long, and says when a quarter turn would help', () => {
    const tooDeep = check('size', box(50, 210, 5));
    expect(tooDeep).toMatchObject({ measured: 210, limit: 200, verdict: 'fail' });
    expect(tooDeep.findings[0].message).toContain('turned by a quarter it would fit');
    expect(check('size', box(260, 30, 5)).findings[0].message).toContain('turned by 40° it would fit');
    expect(check('size', box(30, 30, 190)).findings[0].message).toContain('laid down it would fit');
    const tooLong = check('size', box(320, 30, 5));
    expect(tooLong.verdict).toBe('fail');
    expect(tooLong.findings[0].message).not.toContain('would fit');
  });

  it('warns inside the last twentieth', () => {
    expect(check('size', box(215, 30, 5)).verdict).toBe('warn');
  });
});

it('sets a floating part down before it looks', () => {
  const floating = madeWith(kernel, ({ Manifold }) => Manifold.cube([10, 10, 10]).translate([0, 0, 55]));
  const { verdict, part } = inspect(floating, classroomLimits);
  expect(verdict).toBe('pass');
  expect(part).toMatchObject({
    sizeMm: [10, 10, 10],
    volumeMm3: 1000,
    areaMm2: 600,
    bodies: 1,
    triangles: 12,
  });
});

describe('a file in another unit', () => {
  const words = (size: [number, number, number]) =>
    inspect(boxMesh(size), classroomLimits, { isForeign: true })
      .checks.find(({ id }) => id === 'mesh')!
      .findings.map(({ message }) => message)
      .join(' ');

  it('is guessed from a part that would hardly be worth a print in millimetres', () => {
    expect(words([5, 3, 2])).toContain('in inches it would be 127 mm');
    expect(words([0.05, 0.03, 0.02])).toContain('in metres it would be 50 mm');
    expect(words([8.5, 3, 2])).toBe('');
  });
});
