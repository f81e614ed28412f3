import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { ball, blockWithLyingHole, invertedCone, lyingRod, madeWith } from '../../../test/solids.ts';
import { posed, turn, type SolidMesh } from '../../mesh/index.ts';
import type { Kernel } from '../../solid/index.ts';
import { classroomLimits, inspect, type CheckResult } from '../index.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

const check = (id: string, mesh: SolidMesh): CheckResult =>
  inspect(mesh, classroomLimits).checks.find((each) => each.id === id)!;
const verdicts = (mesh: SolidMesh) =>
  Object.fromEntries(['overhang', 'bridge', 'island'].map((id) => [id, check(id, mesh).verdict]));
/** The mesh turned about the upright axis. */
function turned(mesh: SolidMesh, deg: number): SolidMesh {
  const positions = new Float32Array(mesh.positions.length);
  for (let i = 0; i < positions.length; i += 3) {
    positions.set(
      posed(turn('z', deg), [mesh.positions[i], mesh.positions[i + 1], mesh.positions[i + 2]]),
      i,
    );
  }
  return { ...mesh, positions };
}

/** Two legs and a beam across, 12 mm deep. */
const portal = (spanMm: number) =>
  madeWith(kernel, ({ Manifold }) =>
    Manifold.cube([spanMm + 10, 12, 20]).subtract(Manifold.cube([spanMm, 14, 15]).translate([5, -1, -1])),
  );
/** A block with a pocket in its underside. */
const recess = (x: number, y: number) =>
  madeWith(kernel, ({ Manifold }) =>
    Manifold.cube([x + 10, y + 10, 10]).subtract(Manifold.cube([x, y, 4]).translate([5, 5, -1])),
  );
const tunnel = (diameter: number) =>
  madeWith(kernel, ({ Manifold }) =>
    Manifold.cube([30, diameter + 12, diameter + 12], true)
      .subtract(Manifold.cylinder(40, diameter / 2, diameter / 2, 96, true).rotate([0, 90, 0]))
      .translate([0, 0, diameter / 2 + 6]),
  );

describe('a ceiling that is held at both ends', () => {
  it.each([6, 8, 10, 12, 20, 40])('of a portal spans its %i mm, however it is turned', (mm) => {
    for (const deg of [0, 30, 77]) {
      const { measured, verdict } = check('bridge', turned(portal(mm), deg));
      expect(measured).toBeGreaterThan(mm - 0.05);
      expect(measured).toBeLessThan(mm + 0.05);
      expect(verdict).toBe(mm > 10 ? 'fail' : mm > 9.5 ? 'warn' : 'pass');
      expect(check('overhang', turned(portal(mm), deg)).verdict).toBe('pass');
    }
  });

  it('of a lying tunnel spans what is too steep of its roof', () => {
    for (const [diameter, verdict] of [
      [5, 'pass'],
      [26, 'fail'],
    ] as const) {
      const { measured, ...rest } = check('bridge', tunnel(diameter));
      // A little more: the facet that is just steep enough counts to its lower edge.
      expect(measured! / (diameter * Math.SQRT1_2)).toBeGreaterThan(0.97);
      expect(measured! / (diameter * Math.SQRT1_2)).toBeLessThan(1.06);
      expect(rest.verdict).toBe(verdict);
    }
    expect(verdicts(blockWithLyingHole(kernel, 4))).toEqual({
      overhang: 'pass',
      bridge: 'pass',
      island: 'pass',
    });
  });

  it('of a recess in the underside is crossed the short way', () => {
    expect(check('bridge', recess(8, 30)).measured).toBeCloseTo(8, 2);
    expect(check('bridge', turned(recess(8, 30), 30)).measured).toBeCloseTo(8, 2);
    const round = madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([30, 30, 10], true).subtract(Manifold.cylinder(4, 6, 6, 96).translate([0, 0, -6])),
    );
    expect(check('bridge', round).measured).toBeCloseTo(12, 1);
    expect(verdicts(round)).toMatchObject({ overhang: 'pass', bridge: 'fail' });
  });
});

describe('a ceiling that is held on one side', () => {
  it('is an overhang: a shelf, a ring around a post, the rim of a mushroom', () => {
    const shelf = madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([10, 10, 20]).add(Manifold.cube([4, 10, 4]).translate([10, 0, 14])),
    );
    const mushroom = madeWith(kernel, ({ Manifold }) =>
      Manifold.cylinder(10, 5, 5, 64).add(Manifold.cylinder(4, 9, 9, 64).translate([0, 0, 10])),
    );
    for (const mesh of [shelf, mushroom]) {
      expect(verdicts(mesh)).toEqual({ overhang: 'fail', bridge: 'pass', island: 'pass' });
      expect(check('overhang', mesh).measured).toBeCloseTo(90, 1);
    }
  });

  it('is one where a bridge is open at a corner', () => {
    // Three walls of a box with a lid: near the missing wall, lines across still land; a missing corner leaves some that do not.
    const corner = madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([20, 20, 20]).subtract(Manifold.cube([17, 17, 16]).translate([5, 5, -1])),
    );
    expect(check('overhang', corner).verdict).toBe('fail');
  });

  it.each([
    [30, 'pass'],
    [44, 'warn'],
    [46, 'fail'],
    [60, 'fail'],
  ] as const)('leans by %i° in a cone on its tip, which %ss', (lean, verdict) => {
    expect(check('overhang', invertedCone(kernel, lean)).verdict).toBe(verdict);
    expect(check('bridge', invertedCone(kernel, lean)).measured).toBeNull();
  });
});

describe('what begins in mid-air', () => {
  it('is told of a peg that hangs from a bridge, and of a second body above the plate', () => {
    const peg = madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([26, 12, 20])
        .subtract(Manifold.cube([16, 14, 15]).translate([5, -1, -1]))
        .add(Manifold.cube([3, 3, 8]).translate([11, 4, 8])),
    );
    const { verdict, findings } = check('island', peg);
    expect(verdict).toBe('fail');
    expect(findings.map(({ measured }) => measured)).toEqual([8]);
    const two = madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([10, 10, 2]).add(Manifold.sphere(4, 48).translate([5, 5, 10])),
    );
    expect(check('island', two).findings.map(({ measured }) => measured)).toEqual([expect.closeTo(6, 2)]);
  });

  it('is nothing of what stands, lies, is hollow or is cut from above', () => {
    const pocket = madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([20, 20, 10]).subtract(Manifold.sphere(6, 48).translate([10, 10, 10])),
    );
    // A pit whose walls lean over its floor, as the inside of a leaning letter.
    const leaning = madeWith(kernel, ({ Manifold, CrossSection }) =>
      Manifold.cube([30, 30, 4], true)
        .add(
          Manifold.extrude(CrossSection.circle(10, 32).subtract(CrossSection.circle(6, 32)), 6, 6).warp(
            (at) => {
              at[1] += at[2] / 2;
            },
          ),
        )
        .translate([0, 0, 2]),
    );
    expect(check('island', leaning)).toMatchObject({ verdict: 'pass' });
    for (const mesh of [ball(kernel), lyingRod(kernel, 'edge'), pocket, portal(8), recess(8, 8), tunnel(8)]) {
      expect(check('island', mesh)).toMatchObject({ verdict: 'pass', measured: 0 });
    }
  });
});

describe('a wall that leans by exactly 45°', () => {
  /** A block that widens upwards at 45°; one wall has a corner close to its foot, rounded by `strayMm` to the outside. */
  function widening(strayMm: number): SolidMesh {
    const [low, high, tall] = [20, 30, 10];
    const square = (half: number, z: number) => [
      -half,
      -half,
      z,
      half,
      -half,
      z,
      half,
      half,
      z,
      -half,
      half,
      z,
    ];
    const away = 0.01 * Math.SQRT1_2;
    const corner = [0, -low - away - strayMm, away - strayMm];
    const positions = Float32Array.from([...square(low, 0), ...square(high, tall), ...corner]);
    const walls = [1, 2, 3].flatMap((i) => {
      const j = (i + 1) % 4;
      return [i, j, 4 + j, i, 4 + j, 4 + i];
    });
    const front = [0, 1, 8, 1, 5, 8, 5, 4, 8, 4, 0, 8];
    const triangles = Uint32Array.from([0, 2, 1, 0, 3, 2, 4, 5, 6, 4, 6, 7, ...walls, ...front]);
    return { positions, triangles };
  }

  it('passes, however a narrow triangle of it strays by rounding', () => {
    for (const strayMm of [0, 2e-6, 4e-6]) {
      const { verdict, measured } = check('overhang', widening(strayMm));
      expect(verdict).not.toBe('fail');
      expect(measured).toBeCloseTo(45, 2);
    }
  });

  it('fails where a face of it really leans out further', () => {
    expect(check('overhang', widening(0.004)).verdict).toBe('fail');
  });
});
