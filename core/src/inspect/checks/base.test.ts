import { beforeAll, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { boxMesh } from '../../../test/meshes.ts';
import { madeWith } from '../../../test/solids.ts';
import type { SolidMesh } from '../../mesh/index.ts';
import type { Kernel } from '../../solid/index.ts';
import { classroomLimits, inspect } from '../index.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

const baseOf = (mesh: SolidMesh) => inspect(mesh, classroomLimits).checks.find(({ id }) => id === 'base')!;

it('the base of what stands on its tip is that tip, and what meets there', () => {
  // A cone that leans over, so that its tip is not below its middle.
  const cone = madeWith(kernel, ({ Manifold }) =>
    Manifold.cylinder(20, 0, 12, 32).transform([1, 0, 0, 0, 0, 1, 0, 0, 0.4, 0.2, 1, 0, 30, -8, 0, 1]),
  );
  const [{ at, triangles, verdict }] = baseOf(cone).findings;
  expect(verdict).toBe('fail');
  expect(at).toEqual([30, -8, 0]);
  expect(triangles.length).toBeGreaterThan(0);
  for (const face of triangles) {
    const heights = [0, 1, 2].map((k) => cone.positions[3 * cone.triangles[3 * face + k] + 2]);
    expect(Math.min(...heights)).toBeCloseTo(0, 3);
  }
});

it('the base of a plate is in its middle, and its underside', () => {
  const plate = madeWith(kernel, ({ Manifold }) => Manifold.cube([30, 20, 4]).translate([-70, 10, 0]));
  const { measured, findings } = baseOf(plate);
  expect(measured).toBeCloseTo(600, 3);
  expect(findings).toMatchObject([{ verdict: 'pass', at: [-55, 20, 0] }]);
  expect(findings[0].triangles).toHaveLength(2);
});

it('the base of a sheet that is thinner than half a layer is what touches the plate', () => {
  const [{ at, triangles, verdict }] = baseOf(boxMesh([20, 10, 0.05], [5, 0, 0])).findings;
  expect(verdict).toBe('fail');
  expect(at).toEqual([15, 5, 0]);
  expect(triangles.length).toBeGreaterThan(0);
});
