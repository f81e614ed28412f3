import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { boxMesh } from '../../../test/meshes.ts';
import { madeWith } from '../../../test/solids.ts';
import { marched, subdivided } from '../../../test/wildMeshes.ts';
import { setDown, type SolidMesh } from '../../mesh/index.ts';
import type { Kernel } from '../../solid/index.ts';
import { cornersOf } from './corners.ts';
import { subjectOf } from './subject.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

/** The sharpest corners or edges that a hand would meet, °. */
const sharpest = (mesh: SolidMesh) =>
  Math.min(...cornersOf(subjectOf(setDown(mesh), {})).map(({ deg }) => deg));

/** A shape in x and z, counter-clockwise, as long in y. */
const prism = (shape: [number, number][], long: number): SolidMesh =>
  madeWith(kernel, ({ CrossSection }) =>
    CrossSection.ofPolygons(shape).extrude(long).rotate([90, 0, 0]).translate([0, long, 0]),
  );

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

  it('of a box is each of its corners, with the faces beside it', () => {
    const at = [30, -20, 0] as const;
    const subject = subjectOf(boxMesh([10, 8, 6], [...at]));
    const all = cornersOf(subject);
    const [edges, points] = [
      all.filter(({ kind }) => kind === 'edge'),
      all.filter(({ kind }) => kind === 'point'),
    ];
    // An edge of 90° has twice as many, which is too blunt to be told of.
    expect(edges).toEqual([]);
    expect(points).toHaveLength(8);
    for (const { deg, at: place, faces } of points) {
      expect(deg).toBeCloseTo(90, 3);
      place.forEach((each, i) => expect([0, [10, 8, 6][i]]).toContainEqual(expect.closeTo(each - at[i], 4)));
      for (const face of faces) {
        const own = [0, 1, 2].map((k) => subject.mesh.triangles[3 * face + k]);
        expect(own.some((v) => [0, 1, 2].every((i) => Math.abs(subject.mesh.positions[3 * v + i] - place[i]) < 1e-4))).toBe(true); // oxfmt-ignore
      }
    }
  });

  it('of a wedge is its edge, by twice its angle, in the middle of it', () => {
    // A prism with an edge of 40° along y at the origin, 12 mm long.
    const rise = 20 * Math.tan((40 * Math.PI) / 180);
    const wedge = prism([[0, 0], [20, 0], [20, rise]], 12); // oxfmt-ignore
    const edges = cornersOf(subjectOf(wedge)).filter(({ kind }) => kind === 'edge');
    const sharpestEdge = edges.reduce((a, b) => (a.deg < b.deg ? a : b));
    expect(sharpestEdge.deg).toBeCloseTo(80, 2);
    sharpestEdge.at.forEach((each, i) => expect(each).toBeCloseTo([0, 6, 0][i], 4));
    expect(sharpestEdge.faces).toHaveLength(2);
    // The other two of its edges along y: 50° at the top, a right angle below.
    expect(edges.map(({ deg }) => Math.round(deg)).toSorted((a, b) => a - b)).toEqual([80, 100]);
  });

  it('is none along an edge that is shorter than a finger could feel', () => {
    const edgesOf = (long: number) =>
      cornersOf(subjectOf(prism([[0, 0], [20, 0], [20, 9]], long))).filter(({ kind }) => kind === 'edge'); // oxfmt-ignore
    expect(edgesOf(0.9)).toEqual([]);
    expect(edgesOf(1.1).length).toBeGreaterThan(0);
    // Upright ones, of a wedge that lies, are measured from end to end as well.
    const upright = (highMm: number) =>
      cornersOf(subjectOf(madeWith(kernel, ({ CrossSection }) => CrossSection.ofPolygons([[0, 0], [20, 0], [20, 9]]).extrude(highMm)))).filter(({ kind }) => kind === 'edge'); // oxfmt-ignore
    expect(upright(0.9)).toEqual([]);
    expect(upright(1.1).length).toBeGreaterThan(0);
  });

  it('is none in a dent, where no hand comes', () => {
    // A box with a deep cut of a V into its top: the edge below turns inwards.
    const cut = prism([[0, 0], [30, 0], [30, 12], [20, 12], [15, 3], [10, 12], [0, 12]], 20); // oxfmt-ignore
    for (const { at } of cornersOf(subjectOf(cut)))
      expect(Math.abs(at[0] - 15) < 1 && Math.abs(at[2] - 3) < 1).toBe(false);
  });

  it('is not each that small facets make along a rim which is not sharp', () => {
    // Its rim turns by 125°, an edge of 110°.
    expect(sharpest(flared())).toBeGreaterThan(100);
  });

  it('is not the tip of a needle that is rounded as a finger would want it', () => {
    const needle = madeWith(kernel, ({ Manifold }) =>
      Manifold.hull([Manifold.cylinder(1, 5, 5, 48), Manifold.sphere(0.6, 48).translate([0, 0, 22])]),
    );
    for (const { at, deg } of cornersOf(subjectOf(needle))) if (at[2] > 15) expect(deg).toBeGreaterThan(150);
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
