import { describe, expect, it } from 'vitest';
import { boxMesh } from '../../../test/meshes.ts';
import { marched, subdivided } from '../../../test/wildMeshes.ts';
import { setDown, type SolidMesh } from '../../mesh/index.ts';
import { cornersOf } from './corners.ts';
import { subjectOf } from './subject.ts';

/** The sharpest corners or edges that a hand would meet, °. */
const sharpest = (mesh: SolidMesh) =>
  Math.min(...cornersOf(subjectOf(setDown(mesh), {})).map(({ deg }) => deg));

/** A marched cone that leans out by 35° on all sides, on its tip's flat. */
const flared = () =>
  marched(
    (x, y, z) => Math.max(Math.hypot(x, y) * Math.cos(0.61) - (z + 1) * Math.sin(0.61), Math.abs(z - 4) - 4),
    [-9, -9, -1],
    [9, 9, 9],
    0.5,
  );

describe('a corner that a hand would meet', () => {
  it('of a box is its own, however finely its faces are cut up', () => {
    expect(sharpest(boxMesh([10, 8, 6]))).toBeCloseTo(90, 3);
    expect(sharpest(subdivided(subdivided(subdivided(boxMesh([10, 8, 6])))))).toBeCloseTo(90, 3);
  });

  it('is not each that small facets make along a rim which is not sharp', () => {
    // Its rim turns by 125°, an edge of 110°.
    expect(sharpest(flared())).toBeGreaterThan(100);
  });

  it('is the tip of a cone also where that is marched', () => {
    // The whole tip would have 360° · (1 − cos 20°), which is 22°.
    const spike = marched(
      (x, y, z) => Math.max(Math.hypot(x, y) * Math.cos(0.35) - (14 - z) * Math.sin(0.35), -z),
      [-6, -6, -1],
      [6, 6, 15],
      0.4,
    );
    expect(sharpest(spike)).toBeLessThan(60);
  });
});
