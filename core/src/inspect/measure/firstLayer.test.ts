import { beforeAll, expect, it } from 'vitest';
import { lyingRod, madeWith } from '../../../test/solids.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { setDown } from '../../mesh/index.ts';
import type { Kernel } from '../../solid/index.ts';
import { firstLayerOf } from './firstLayer.ts';
import { subjectOf } from './subject.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));
const layer = { layerMm: 0.2 };

it('is the section half-way up the layer that the nozzle lays', () => {
  const box = subjectOf(madeWith(kernel, ({ Manifold }) => Manifold.cube([20, 10, 5])));
  const { areaMm2, corners, faces, isRounded } = firstLayerOf(box, layer);
  expect(areaMm2).toBeCloseTo(200, 4);
  expect(corners.map(String).toSorted()).toEqual(['0,0', '0,10', '20,0', '20,10']);
  expect(faces).toHaveLength(2);
  expect(isRounded).toBe(false);
});

it('has no part of what is engraved deeper than half of it, and all of what is less deep', () => {
  const engraved = (deepMm: number) =>
    subjectOf(
      madeWith(kernel, ({ Manifold }) =>
        Manifold.cube([20, 10, 5]).subtract(Manifold.cube([4, 4, deepMm]).translate([8, 3, 0])),
      ),
    );
  expect(firstLayerOf(engraved(0.15), layer).areaMm2).toBeCloseTo(184, 3);
  expect(firstLayerOf(engraved(0.05), layer).areaMm2).toBeCloseTo(200, 3);
  // With layers of 0.4 mm it is the other way about for what is 0.15 mm deep.
  expect(firstLayerOf(engraved(0.15), { layerMm: 0.4 }).areaMm2).toBeCloseTo(200, 3);
});

it('is rounded where a line or a point of the part sinks into it, and not where it stands on a face', () => {
  const tip = subjectOf(madeWith(kernel, ({ Manifold }) => Manifold.cylinder(10, 0, 8, 24)));
  expect(firstLayerOf(tip, layer).isRounded).toBe(true);
  // A lying bar of four sides, on an edge and on one of them.
  expect(firstLayerOf(subjectOf(lyingRod(kernel, 'edge', 4)), layer).isRounded).toBe(true);
  const flat = subjectOf(setDown(lyingRod(kernel, 'facet', 4)));
  expect(firstLayerOf(flat, layer).isRounded).toBe(false);
  // A tenth of what it stands on touches; a fifth is enough.
  const foot = (share: number) =>
    subjectOf(
      madeWith(kernel, ({ Manifold }) =>
        Manifold.cube([20, 10, 5])
          .translate([0, 0, 0.05])
          .add(Manifold.cube([20 * share, 10, 1])),
      ),
    );
  expect(firstLayerOf(foot(0.1), layer).isRounded).toBe(true);
  expect(firstLayerOf(foot(0.2), layer).isRounded).toBe(false);
});

it('names the faces of its outlines where none looks down within it', () => {
  const tipped = subjectOf(
    madeWith(kernel, ({ Manifold }) => Manifold.cylinder(10, 0, 8, 24).translate([0, 0, 0])),
  );
  const { faces, outlines } = firstLayerOf(tipped, layer);
  expect(faces.toSorted()).toEqual([...new Set(outlines.flatMap((outline) => outline.faces))].toSorted());
  expect(faces.length).toBeGreaterThan(0);
});
