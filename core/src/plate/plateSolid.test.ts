import { expect, it } from 'vitest';
import { boundsOf, volumeOf } from '../mesh/index.ts';
import { boxMesh } from '../../test/meshes.ts';
import { plateSolid } from './plateSolid.ts';

it('has every part where it is laid, turned about the middle of its box', () => {
  const mesh = boxMesh([30, 10, 4], [7, 3, 0]);
  const plate = plateSolid([
    { mesh, xMm: 50, yMm: 40, turnDeg: 0 },
    { mesh, xMm: 100, yMm: 40, turnDeg: 90 },
  ]);
  const { min, max } = boundsOf(plate);
  expect(min.map((mm) => Math.round(mm * 1000) / 1000)).toEqual([35, 25, 0]);
  expect(max.map((mm) => Math.round(mm * 1000) / 1000)).toEqual([105, 55, 4]);
  expect(volumeOf(plate)).toBeCloseTo(2 * 30 * 10 * 4, 2);
  expect(plateSolid([]).triangles).toHaveLength(0);
});
