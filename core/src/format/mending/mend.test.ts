import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boxMesh, togetherOf } from '../../../test/meshes.ts';
import { facesOf, topologyOf, volumeOf, weld, type SolidMesh } from '../../mesh/index.ts';
import type { Point } from '../../plane/index.ts';
import { mend } from './mend.ts';

const withTriangles = (mesh: SolidMesh, change: (triangles: number[]) => number[]): SolidMesh => ({
  ...mesh,
  triangles: Uint32Array.from(change([...mesh.triangles])),
});
/** The mesh with some of its triangles turned about. */
const turned = (mesh: SolidMesh, isTurned: (face: number) => boolean) =>
  withTriangles(mesh, (t) =>
    t.map((_, i) => (isTurned(Math.floor(i / 3)) && i % 3 > 0 ? t[i % 3 === 1 ? i + 1 : i - 1] : t[i])),
  );
describe('mending a surface', () => {
  it('leaves a sound one as it is', () => {
    const sound = boxMesh(10);
    expect(mend(sound)).toEqual({ mesh: sound, mended: [] });
  });

  it.each<[string, SolidMesh, string]>([
    [
      'a triangle that is there twice',
      withTriangles(boxMesh(10), (t) => [...t, ...t.slice(0, 3)]),
      'there twice',
    ],
    [
      'triangles that face the wrong way',
      turned(boxMesh(10), (face) => face === 2 || face === 7),
      '2 triangles that faced the wrong way',
    ],
    [
      'a missing triangle',
      withTriangles(boxMesh(10), (t) => t.slice(3)),
      'A hole in the surface, 14 mm across',
    ],
    ['a missing side', withTriangles(boxMesh(10), (t) => t.slice(6)), 'A hole in the surface, 14 mm across'],
    ['a surface that is inside out', turned(boxMesh(10), () => true), 'faced inwards'],
  ])('mends %s, and says so', (_, broken, words) => {
    const { mesh, mended } = mend(broken);
    expect(topologyOf(mesh).openEdges).toBe(0);
    expect(volumeOf(mesh)).toBeCloseTo(1000, 6);
    expect(mended).toHaveLength(1);
    expect(mended[0]).toContain(words);
  });

  it('leaves out triangles whose corners lie on a line, and closes nothing for them', () => {
    const box = boxMesh(10);
    const along = box.triangles[0];
    const [x, y, z] = box.positions.slice(3 * along, 3 * along + 3);
    const [other, middle] = [box.triangles[1], box.positions.length / 3];
    const between = [0, 1, 2].map(
      (axis) => (box.positions[3 * along + axis] + box.positions[3 * other + axis]) / 2,
    );
    const needles: SolidMesh = {
      positions: Float32Array.from([...box.positions, ...between, x, y, z]),
      triangles: Uint32Array.from([...box.triangles, along, middle, other, along, along, other]),
    };
    const { mesh, mended } = mend(needles);
    expect(mended).toEqual([]);
    expect(mesh.triangles).toEqual(box.triangles);
  });

  it('closes a hole that is not convex by triangles which do not overlap', () => {
    // A U of 20 by 20 mm, 5 mm high, whose top is missing: no corner sees all the others.
    const U: Point[] = [[0, 0], [20, 0], [20, 20], [14, 20], [14, 6], [6, 6], [6, 20], [0, 20]]; // oxfmt-ignore
    const sides = U.flatMap(([x, y], i) => {
      const [nx, ny] = U[(i + 1) % U.length];
      return [x, y, 0, nx, ny, 0, nx, ny, 5, x, y, 0, nx, ny, 5, x, y, 5];
    });
    const under = [[0, 4, 1], [1, 4, 2], [2, 4, 3], [0, 5, 4], [0, 7, 5], [5, 7, 6]].flatMap((face) => face.flatMap((i) => [...U[i], 0])); // oxfmt-ignore
    const { mesh, mended } = mend(weld(Float32Array.from([...sides, ...under])));
    expect(mended).toEqual(['A hole in the surface, 28 mm across, was closed.']);
    const mm2 = 20 * 6 + 2 * 6 * 14;
    expect(volumeOf(mesh)).toBeCloseTo(5 * mm2, 3);
    const { areas, normals } = facesOf(mesh);
    const upMm2 = areas.reduce((sum, area, face) => sum + (normals[3 * face + 2] > 0.5 ? area : 0), 0);
    expect(upMm2).toBeCloseTo(mm2, 3);
  });

  it('turns the one of several bodies about that is inside out, and leaves a hollow one', () => {
    const apart = togetherOf(
      boxMesh(10),
      turned(boxMesh(4, [20, 0, 0]), () => true),
    );
    expect(volumeOf(mend(togetherOf(boxMesh(10), boxMesh(4, [20, 0, 0]))).mesh)).toBeCloseTo(1064, 6);
    const hollow = togetherOf(
      boxMesh(10),
      turned(boxMesh(4, [3, 3, 3]), () => true),
    );
    expect(mend(hollow).mended).toEqual([]);
    expect(volumeOf(mend(hollow).mesh)).toBeCloseTo(936, 6);
    expect(volumeOf(mend(apart).mesh)).toBeCloseTo(1064, 6);
  });

  it('refuses what is missing too much, and says where', () => {
    const torn = weld(
      Float32Array.from(
        Array.from({ length: 20 }, (_, i) => {
          const at = (k: number) => [10 * Math.cos((k * Math.PI) / 10), 10 * Math.sin((k * Math.PI) / 10), 0];
          return [...at(i), ...at(i + 1), 0, 0, 5];
        }).flat(),
      ),
    );
    expect(() => mend(torn)).toThrow(
      /does not close: \d+ edges have a triangle on one side only, one of them at/,
    );
  });
});

/** The corners of a mesh, three a triangle, none of them shared. */
const loose = ({ positions: p, triangles }: SolidMesh) =>
  [...triangles].flatMap((vertex) => [p[3 * vertex], p[3 * vertex + 1], p[3 * vertex + 2]]);

describe('seams that stand open', () => {
  it('are joined by how near corners are, wherever they lie', () => {
    // On either side of every border to which coordinates could be rounded.
    for (const at of [0.0005, 0.00049999, 0.5, 1.2345, 7.0004999]) {
      const corners = loose(boxMesh(10, [at, at, at])).map((mm, i) => mm + (i % 2 ? 1e-6 : -1e-6));
      const { mesh, mended } = mend(weld(Float32Array.from(corners)));
      expect(topologyOf(mesh).openEdges, `at ${at}`).toBe(0);
      expect(volumeOf(mesh)).toBeCloseTo(1000, 1);
      expect(mended, `at ${at}`).toEqual([
        expect.stringMatching(
          /^\d+ open edges were joined to their neighbours, which were at most 0.001 mm away.$/,
        ),
      ]);
    }
  });

  it('are joined when every corner strays by a few ten-thousandths', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -3e-4, max: 3e-4, noNaN: true }), { minLength: 108, maxLength: 108 }),
        (stray) => {
          const corners = loose(boxMesh(20)).map((mm, i) => mm + stray[i]);
          const { mesh } = mend(weld(Float32Array.from(corners)));
          expect(topologyOf(mesh)).toMatchObject({ openEdges: 0, bodies: 1 });
          expect(volumeOf(mesh) / 8000).toBeCloseTo(1, 3);
        },
      ),
    );
  });

  it('stay open where corners are as far apart as a printer can show', () => {
    const corners = loose(boxMesh(20)).map((mm, i) => mm + 0.05 * Math.sin(7 * i));
    expect(() => mend(weld(Float32Array.from(corners)))).toThrow(/does not close/);
  });

  it('are joined in a small file of another unit by as much less', () => {
    const metres = boxMesh(0.02);
    const shifted = loose(metres).map((m, i) => m + (i % 2 ? 1e-6 : -1e-6));
    expect(volumeOf(mend(weld(Float32Array.from(shifted))).mesh) / 8e-6).toBeCloseTo(1, 2);
    // Two thin plates, as far apart as seams may be in a part of ordinary size, are not pulled together.
    const plates = togetherOf(boxMesh(0.01), boxMesh(0.01, [0, 0, 0.0104]));
    expect(topologyOf(mend(plates).mesh).bodies).toBe(2);
  });

  it('close where triangles meet like bricks', () => {
    // The top of the box is two triangles; the sides come in three strips each, with corners on its edges.
    const strips = [0, 1, 2].flatMap((k) => {
      const [from, to] = [(10 * k) / 3, (10 * (k + 1)) / 3];
      const side = (at: (u: number, z: number) => number[]) =>
        [[from, 0], [to, 0], [to, 10], [from, 0], [to, 10], [from, 10]].flatMap(([u, z]) => at(u, z)); // oxfmt-ignore
      return [
        ...side((u, z) => [u, 0, z]),
        ...side((u, z) => [10, u, z]),
        ...side((u, z) => [10 - u, 10, z]),
        ...side((u, z) => [0, 10 - u, z]),
      ];
    });
    const lids = [0, 0, 0, 0, 10, 0, 10, 10, 0, 0, 0, 0, 10, 10, 0, 10, 0, 0, 0, 0, 10, 10, 0, 10, 10, 10, 10, 0, 0, 10, 10, 10, 10, 0, 10, 10]; // oxfmt-ignore
    const bricks = weld(Float32Array.from([...strips, ...lids]));
    expect(topologyOf(bricks).openEdges).toBeGreaterThan(0);
    const { mesh, mended } = mend(bricks);
    expect(topologyOf(mesh)).toMatchObject({ openEdges: 0, bodies: 1 });
    expect(volumeOf(mesh)).toBeCloseTo(1000, 3);
    expect(mended).toEqual([expect.stringMatching(/16 corners that lay on the edges/)]);
  });
});

describe('what is there more than once', () => {
  it('is kept once, though the surface closes', () => {
    const twice = withTriangles(boxMesh(10), (t) => [...t, ...t]);
    expect(topologyOf(twice).openEdges).toBe(0);
    const { mesh, mended } = mend(twice);
    expect(volumeOf(mesh)).toBeCloseTo(1000, 6);
    expect(mended).toEqual(['12 triangles that were there twice were left out.']);
  });

  it('is one surface if it was written for both of its sides', () => {
    const sides = togetherOf(
      boxMesh(10),
      turned(boxMesh(10), () => true),
    );
    const { mesh } = mend(weld(Float32Array.from(loose(sides))));
    expect(volumeOf(mesh)).toBeCloseTo(1000, 6);
    expect(topologyOf(mesh)).toMatchObject({ openEdges: 0, bodies: 1 });
  });

  it('is a wall without thickness between two blocks, which are one without it', () => {
    const pair = weld(Float32Array.from([...loose(boxMesh(10)), ...loose(boxMesh(10, [10, 0, 0]))]));
    const { mesh, mended } = mend(pair);
    expect(topologyOf(mesh)).toMatchObject({ openEdges: 0, bodies: 1 });
    expect(volumeOf(mesh)).toBeCloseTo(2000, 6);
    // The diagonals of the shared side differ or not; either way it is gone or still closes.
    expect(mended.join()).toMatch(/^$|back to back/);
  });
});

it('leaves out specks, but not a part that is as small', () => {
  const { mesh, mended } = mend(togetherOf(boxMesh(20), boxMesh(0.05, [30, 0, 0])));
  expect(topologyOf(mesh).bodies).toBe(1);
  expect(mended).toEqual(['A speck that is too small to print was left out.']);
  expect(mend(boxMesh(0.05)).mended).toEqual([]);
  expect(topologyOf(mend(togetherOf(boxMesh(0.05), boxMesh(0.04, [0.1, 0, 0]))).mesh).bodies).toBe(2);
});
