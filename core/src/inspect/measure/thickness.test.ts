import { beforeAll, expect, it } from 'vitest';
import { ball, madeWith } from '../../../test/solids.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { areaOf } from '../../mesh/index.ts';
import type { Kernel } from '../../solid/index.ts';
import { thicknessMap } from '../index.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

it('a plate with a post is as thick as it is under every place of its surface', () => {
  const mesh = madeWith(kernel, ({ Manifold }) =>
    Manifold.cube([40, 30, 2], true)
      .translate([0, 0, 1])
      .add(Manifold.cube([6, 6, 5], true).translate([0, 0, 4.5])),
  );
  const { positions, thicknessMm } = thicknessMap(mesh, 8);
  let onPlate = 0;
  for (let i = 0; i < thicknessMm.length; i++) {
    const [x, y, z] = positions.subarray(3 * i, 3 * i + 3);
    const isUnderPost = Math.max(Math.abs(x), Math.abs(y)) < 3.5;
    if (Math.abs(z - 2) > 1e-4 || isUnderPost || Math.abs(x) > 19 || Math.abs(y) > 14) continue;
    onPlate++;
    expect(thicknessMm[i]).toBeCloseTo(2, 2);
  }
  expect(onPlate).toBeGreaterThan(500);
  // On its top to the very rim, where a face beside it is as near.
  for (let face = 0; face < thicknessMm.length; face += 3) {
    const corners = [0, 1, 2].map((k) => [...positions.subarray(3 * (face + k), 3 * (face + k) + 3)]);
    if (!corners.every(([x, y, z]) => Math.abs(z - 2) < 1e-4 && Math.max(Math.abs(x), Math.abs(y)) > 4))
      continue;
    for (let k = 0; k < 3; k++) expect(thicknessMm[face + k]).toBeCloseTo(2, 2);
  }
  expect(Math.max(...thicknessMm)).toBeLessThanOrEqual(8);
});

it('keeps the surface as it is, however finely it is cut', () => {
  const mesh = ball(kernel, 10, 32);
  const { positions } = thicknessMap(mesh, 4);
  const triangles = Uint32Array.from({ length: positions.length / 3 }, (_, i) => i);
  expect(areaOf({ positions, triangles }) / areaOf(mesh)).toBeCloseTo(1, 5);
});

it('a box is as thick as it is between its faces, whichever way these look', () => {
  const mesh = madeWith(kernel, ({ Manifold }) => Manifold.cube([3, 5, 7]).translate([40, -30, 0]));
  const { positions, thicknessMm } = thicknessMap(mesh, 20);
  const across = new Map([[0, 3], [1, 5], [2, 7]]); // oxfmt-ignore
  const [low, high] = [[40, -30, 0], [43, -25, 7]]; // oxfmt-ignore
  let looked = 0;
  for (let face = 0; face < thicknessMm.length; face += 3) {
    const places = [0, 1, 2].map((k) => [...positions.subarray(3 * (face + k), 3 * (face + k) + 3)]);
    // The face that it lies in, and only well away from its rims.
    const axis = [0, 1, 2].findIndex((i) =>
      [low[i], high[i]].some((mm) => places.every((place) => Math.abs(place[i] - mm) < 1e-4)),
    );
    const isInside = [0, 1, 2].every(
      (i) => i === axis || places.every((place) => place[i] > low[i] + 1 && place[i] < high[i] - 1),
    );
    if (!isInside) continue;
    looked++;
    for (let k = 0; k < 3; k++) expect(thicknessMm[face + k]).toBeCloseTo(across.get(axis)!, 2);
  }
  expect(looked).toBeGreaterThan(20);
});
