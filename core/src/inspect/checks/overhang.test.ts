import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { ball, invertedCone, madeWith, postWithShelf } from '../../../test/solids.ts';
import type { SolidMesh } from '../../mesh/index.ts';
import type { Kernel } from '../../solid/index.ts';
import { classroomLimits, inspect, type CheckResult } from '../index.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

const check = (id: string, mesh: SolidMesh): CheckResult =>
  inspect(mesh, classroomLimits).checks.find((each) => each.id === id)!;

describe('overhang', () => {
  it.each([30, 35, 40, 45, 50, 55, 60])('measures a wall that leans out by %i°', (lean) => {
    const { measured, verdict } = check('overhang', invertedCone(kernel, lean));
    expect(measured).toBeGreaterThan(lean - 0.2);
    expect(measured).toBeLessThan(lean + 0.2);
    expect(verdict === 'fail').toBe(lean > 45);
  });

  it('calls a shelf level, and says where', () => {
    const { measured, verdict, findings } = check('overhang', postWithShelf(kernel));
    expect(measured).toBeCloseTo(90, 1);
    expect(verdict).toBe('fail');
    expect(findings).toHaveLength(1);
    expect(findings[0].at[2]).toBeCloseTo(14, 3);
    expect(findings[0].at[0]).toBeGreaterThan(10);
  });

  it('measures nothing on a plain block, and forgives a lip narrower than a line', () => {
    const block = madeWith(kernel, ({ Manifold }) => Manifold.cube([10, 10, 10]));
    expect(check('overhang', block)).toMatchObject({ measured: null, verdict: 'pass' });
    const lipped = (by: number) =>
      madeWith(kernel, ({ Manifold }) =>
        Manifold.cube([10, 10, 10]).add(
          Manifold.cube([10 + 2 * by, 10 + 2 * by, 2]).translate([-by, -by, 5]),
        ),
      );
    expect(check('overhang', lipped(0.3)).verdict).toBe('pass');
    expect(check('overhang', lipped(0.6)).verdict).toBe('fail');
  });

  it('finds a keel that rises slowly between two steep faces', () => {
    // A hull of a wedge of 60°, which leans by 30° at either side, whose keel rises by so many degrees from its stern.
    const hull = (deg: number) =>
      madeWith(kernel, ({ Manifold }) => {
        const [long, wide] = [30, 8];
        const rise = long * Math.tan((deg * Math.PI) / 180);
        const top = wide / Math.tan(Math.PI / 6);
        const bow: [number, number, number][] = [[long, 0, rise], [long, wide, rise + top], [long, -wide, rise + top]]; // oxfmt-ignore
        const stern: [number, number, number][] = [
          [0, 0, 0],
          [0, wide, top],
          [0, -wide, top],
        ];
        return Manifold.hull([...bow, ...stern]);
      });
    expect(check('overhang', hull(2))).toMatchObject({
      verdict: 'fail',
      measured: expect.closeTo(88, 0) as number,
    });
    // Half-way along it.
    const [{ at }] = check('overhang', hull(2)).findings;
    expect(at[0]).toBeCloseTo(15, 2);
    expect(at[1]).toBeCloseTo(0, 2);
    expect(at[2]).toBeCloseTo(15 * Math.tan((2 * Math.PI) / 180), 2);
    expect(check('overhang', hull(50)).verdict).toBe('pass');
  });

  it('does not forgive a narrow strip that reaches far out', () => {
    const twig = (longMm: number) =>
      madeWith(kernel, ({ Manifold }) =>
        Manifold.cube([10, 10, 10]).add(Manifold.cube([longMm, 0.44, 1]).translate([10, 5, 5])),
      );
    expect(check('overhang', twig(0.4)).verdict).toBe('pass');
    const long = twig(5);
    const { verdict, findings } = check('overhang', long);
    expect(verdict).toBe('fail');
    // It shows the twig, and not what the twig grows from.
    const middles = findings.flatMap(({ triangles }) =>
      triangles.map((face) =>
        [0, 1, 2].reduce((sum, k) => sum + long.positions[3 * long.triangles[3 * face + k]] / 3, 0),
      ),
    );
    expect(middles.length).toBeGreaterThan(0);
    expect(Math.min(...middles)).toBeGreaterThan(10);
  });

  it('is close to the limit, and no more, over a slope at the limit that a narrow ledge goes before', () => {
    const knob = madeWith(kernel, ({ Manifold }) => {
      const post = Manifold.cylinder(10, 10, 10, 120);
      const slope = Manifold.cylinder(1.1, 10.4, 11.5, 120).translate([0, 0, 10]);
      return post.add(slope).add(Manifold.cylinder(8, 11.5, 11.5, 120).translate([0, 0, 11.1]));
    });
    const { measured, verdict, findings } = check('overhang', knob);
    expect([measured, verdict]).toEqual([expect.closeTo(45, 1), 'warn']);
    expect(findings.map((each) => each.measured)).toEqual([expect.closeTo(45, 1)]);
  });

  it('finds the underside of a ball steep, from its first layer on', () => {
    const { measured, verdict } = check('overhang', ball(kernel));
    expect(measured).toBeGreaterThan(80);
    expect(verdict).toBe('fail');
  });
});
