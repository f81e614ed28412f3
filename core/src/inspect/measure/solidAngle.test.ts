import { beforeAll, expect, it } from 'vitest';
import { madeWith } from '../../../test/solids.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import type { Vec3 } from '../../mesh/index.ts';
import type { Kernel } from '../../solid/index.ts';
import { solidAngleDeg } from './solidAngle.ts';
import { subjectOf, type Subject } from './subject.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

const at = (subject: Subject, place: Vec3) => solidAngleDeg(subject, place, 1);

it('is a quarter of a right angle’s turn at a box’s corner, twice that on its edge, and half a ball on its face', () => {
  const box = subjectOf(madeWith(kernel, ({ Manifold }) => Manifold.cube([20, 16, 12])));
  for (const x of [0, 20]) for (const y of [0, 16]) for (const z of [0, 12]) expect(Math.abs(at(box, [x, y, z]) - 90)).toBeLessThan(8); // oxfmt-ignore
  for (const place of [[10, 0, 0], [20, 8, 12], [0, 16, 6]] as Vec3[]) expect(Math.abs(at(box, place) - 180)).toBeLessThan(8); // oxfmt-ignore
  for (const place of [[10, 8, 0], [20, 8, 6], [10, 16, 6]] as Vec3[]) expect(Math.abs(at(box, place) - 360)).toBeLessThan(8); // oxfmt-ignore
  expect(at(box, [10, 8, 6])).toBe(720);
  expect(at(box, [10, 8, 14])).toBe(0);
});

it('is half a ball on a face, whichever way that looks', () => {
  for (let deg = 5; deg < 180; deg += 10) {
    for (const turns of [
      [deg, 0, 0],
      [0, deg, 0],
      [deg, 2 * deg, 0],
    ] as Vec3[]) {
      const box = subjectOf(madeWith(kernel, ({ Manifold }) => Manifold.cube([20, 16, 12], true).rotate([...turns]))); // oxfmt-ignore
      const { normals } = box.faces;
      for (let f = 0; f < normals.length; f += 3) {
        const [x, y, z] = [...normals.subarray(f, f + 3)];
        const corner = 3 * box.mesh.triangles[f];
        const along = [0, 1, 2].reduce((sum, i) => sum + normals[f + i] * box.mesh.positions[corner + i], 0);
        expect(Math.abs(at(box, [along * x, along * y, along * z]) - 360)).toBeLessThan(10);
      }
    }
  }
});

it('is that of a wedge along its edge, and of a cone at its tip', () => {
  // An edge of 30° takes 30 of 360 parts of the ball.
  const wedge = subjectOf(
    madeWith(kernel, ({ CrossSection }) => {
      const slope = Math.tan(Math.PI / 6);
      return CrossSection.ofPolygons([[0, 0], [20, 0], [20, 20 * slope]]).extrude(20); // oxfmt-ignore
    }),
  );
  expect(Math.abs(at(wedge, [0, 0, 10]) - 60)).toBeLessThan(8);
  // A cone with an opening of 2 × 30°: (1 − cos 30°) / 2 of the ball.
  const cone = subjectOf(
    madeWith(kernel, ({ Manifold }) => Manifold.cylinder(20, 20 * Math.tan(Math.PI / 6), 0, 96)),
  );
  expect(Math.abs(at(cone, [0, 0, 20]) - 360 * (1 - Math.cos(Math.PI / 6)))).toBeLessThan(8);
});
