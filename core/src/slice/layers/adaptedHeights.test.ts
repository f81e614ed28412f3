import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { built } from '../../../test/evaluated.ts';
import { madeWith } from '../../../test/solids.ts';
import { subdivided } from '../../../test/wildMeshes.ts';
import { boundsOf, type SolidMesh } from '../../mesh/index.ts';
import type { Workshop } from '../../solid/index.ts';
import { starters } from '../../starters/index.ts';
import { estimate, everydaySettings, slice } from '../index.ts';
import { adaptedHeights } from './adaptedHeights.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const settings = { firstLayerMm: 0.2, adaptLayersMm: [0.1, 0.3] as const };
const heightsOf = (mesh: SolidMesh) => adaptedHeights(mesh, boundsOf(mesh).max[2], settings);

describe('layers that adapt', () => {
  it('are thick along walls, and end at each flat face and at the top', () => {
    const steps = madeWith(workshop.kernel, ({ Manifold }) =>
      Manifold.cube([20, 20, 5.03]).add(Manifold.cube([10, 20, 11.17])),
    );
    const layers = heightsOf(steps);
    expect(layers.some(({ zMm }) => Math.abs(zMm - 5.03) < 0.02)).toBe(true);
    expect(layers.at(-1)!.zMm).toBeCloseTo(11.17, 6);
    expect(layers.filter(({ thickMm }) => thickMm > 0.29).length).toBeGreaterThan(layers.length * 0.8);
  });

  it('are the same however finely the surface is cut up', () => {
    const ball = madeWith(workshop.kernel, ({ Manifold }) => Manifold.sphere(6, 48).translate([0, 0, 5]).trimByPlane([0, 0, 1], 0)); // oxfmt-ignore
    const whole = heightsOf(ball);
    let fine = ball;
    for (let i = 0; i < 4; i++) fine = subdivided(fine);
    const cut = heightsOf(fine);
    expect(cut.length).toBe(whole.length);
    cut.forEach(({ zMm }, i) => expect(zMm).toBeCloseTo(whole[i].zMm, 2));
  });

  it('leave no step that is larger than the finest layer, on whatever cone', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 30, noNaN: true }),
        fc.double({ min: 2, max: 20, noNaN: true }),
        (radius, height) => {
          const cone = madeWith(workshop.kernel, ({ Manifold }) =>
            Manifold.cylinder(height, radius, 0.5, 48),
          );
          const layers = heightsOf(cone);
          const level = (radius - 0.5) / Math.hypot(radius - 0.5, height);
          expect(layers.reduce((sum, { thickMm }) => sum + thickMm, 0)).toBeCloseTo(height, 4);
          for (const { thickMm } of layers.slice(1)) {
            expect(thickMm).toBeLessThanOrEqual(0.3 + 1e-9);
            expect(thickMm).toBeGreaterThan(0.05 - 1e-9);
            // What is left of less than a hundredth is part of the layer below.
            expect(thickMm * Math.abs(level)).toBeLessThanOrEqual(0.1 + 0.01 * Math.abs(level) + 1e-5);
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('save at least 15 % of the time of a dibber that is as fine everywhere', () => {
    const dibber = built(workshop, starters.find(({ title }) => title === 'Dibber')!.recipe).mesh;
    const seconds = (more: object) => {
      const own = { ...everydaySettings, layerMm: 0.15, ...more };
      return estimate(slice(workshop.kernel, dibber, own), own).seconds;
    };
    const [fine, adapted] = [seconds({}), seconds({ adaptLayersMm: [0.15, 0.3] })];
    expect(adapted / fine).toBeLessThan(0.85);
  });
});
