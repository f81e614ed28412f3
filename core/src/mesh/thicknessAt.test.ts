import { beforeAll, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { block } from '../../test/block.ts';
import { built, recipeWith, stepOf } from '../../test/evaluated.ts';
import type { Workshop } from '../solid/index.ts';
import { on } from '../starters/places.ts';
import { thicknessAt, type SolidMesh } from './index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

it('is how much material there is behind a place, whichever face it lies on', () => {
  const pocket = stepOf('extrude', 's2', 's1', {
    effect: 'cut',
    outline: { shape: 'circle', diameterMm: 12 },
    depth: { type: 'by', mm: 7 },
    placement: on('s1', { z: { relation: 'inFrom', edge: 'high', mm: 0 } }),
  });
  const { mesh } = built(workshop, recipeWith([block, pocket]));
  // 40 × 30 × 10 mm, with a pocket of Ø 12 in its middle.
  expect(thicknessAt(mesh, { point: [15, 10, 10], normal: [0, 0, 1] })).toBeCloseTo(10, 4);
  expect(thicknessAt(mesh, { point: [1, 0.5, 3], normal: [0, 0, 1] })).toBeCloseTo(3, 4);
  expect(thicknessAt(mesh, { point: [-20, 0.1, 8], normal: [-1, 0, 0] })).toBeCloseTo(14, 1);
  expect(thicknessAt(mesh, { point: [-20, 0.1, 1], normal: [-1, 0, 0] })).toBeCloseTo(40, 4);
});

it('is not known where there is no other side', () => {
  const sheet: SolidMesh = {
    positions: Float32Array.from([0, 0, 0, 10, 0, 0, 0, 10, 0]),
    triangles: Uint32Array.from([0, 1, 2]),
  };
  expect(thicknessAt(sheet, { point: [2, 2, 0], normal: [0, 0, 1] })).toBeUndefined();
});
