import { heightField } from '../../test/wildMeshes.ts';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { ball, madeWith, plateWithHole } from '../../test/solids.ts';
import { regionAreaOf, signedAreaOf } from '../plane/index.ts';
import type { Kernel } from '../solid/index.ts';
import { sectionAt } from './section.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

describe('a section', () => {
  it('has material to the left of its outlines, openings the other way round', () => {
    const outlines = sectionAt(plateWithHole(kernel, 8), 3).map(({ points }) => points);
    expect(outlines.map((outline) => Math.sign(signedAreaOf(outline))).sort()).toEqual([-1, 1]);
    expect(regionAreaOf(outlines)).toBeCloseTo(1200 - 24 * 16 * Math.sin(Math.PI / 24), 3);
  });

  it('closes also in the plane of corners, and is nothing beside the part', () => {
    const step = madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([10, 10, 4]).add(Manifold.cube([4, 4, 4]).translate([3, 3, 4])),
    );
    expect(sectionAt(step, 4).map(({ points }) => signedAreaOf(points))).toEqual([100]);
    expect(sectionAt(step, 4.001).map(({ points }) => signedAreaOf(points))).toEqual([16]);
    expect(sectionAt(step, -1)).toEqual([]);
    expect(sectionAt(step, 9)).toEqual([]);
  });

  it('knows the triangle of each edge', () => {
    const mesh = ball(kernel, 10);
    const [{ points, faces }] = sectionAt(mesh, 6);
    points.forEach(([x, y], i) => {
      const [nx, ny] = points[(i + 1) % points.length];
      const corners = [0, 1, 2].map((k) => 3 * mesh.triangles[3 * faces[i] + k]);
      const [low, high] = [Math.min, Math.max].map((pick) =>
        pick(...corners.map((at) => mesh.positions[at])),
      );
      expect((x + nx) / 2).toBeGreaterThanOrEqual(low - 1e-4);
      expect((x + nx) / 2).toBeLessThanOrEqual(high + 1e-4);
      expect(Math.hypot((y + ny) / 2)).toBeLessThan(10);
    });
  });
});

it('has the same outlines however often a large mesh is cut', () => {
  const hills = heightField(60, 40, (x, y) => 5 + Math.sin(x) + Math.sin(y / 2));
  for (const zMm of [0.1, 3.7, 4.9, 5.0001, 6.4, 6.999, 20, -1]) {
    // The first cut of a mesh asks all of its faces, the later ones those at that height.
    const first = sectionAt({ ...hills }, zMm);
    expect(sectionAt(hills, zMm)).toEqual(first);
  }
  expect(sectionAt(hills, 5.0001).length).toBeGreaterThan(5);
});

describe('a section through corners', () => {
  it('has all its corners, whichever face it is begun from', () => {
    // Two pyramids on a square in the plane of the section; the lower faces are divided, so that they meet in fans there.
    const points = [
      [1, 0, 0],
      [0, 1, 0],
      [-1, 0, 0],
      [0, -1, 0],
      [0, 0, 1],
      [0, 0, -1],
    ];
    const faces: number[][] = [];
    for (let i = 0; i < 4; i++) {
      const next = (i + 1) % 4;
      const middle = points.length;
      points.push([0, 1, 2].map((k) => (points[i][k] + points[next][k] + points[5][k]) / 3));
      faces.push([i, next, 4], [i, middle, next], [next, middle, 5], [5, middle, i]);
    }
    for (let first = 0; first < faces.length; first++) {
      const turned = [...faces.slice(first), ...faces.slice(0, first)];
      const mesh = {
        positions: Float32Array.from(points.flat()),
        triangles: Uint32Array.from(turned.flat()),
      };
      const outlines = sectionAt(mesh, 0);
      expect(outlines.map((outline) => signedAreaOf(outline.points))).toEqual([2]);
      expect(outlines[0].points).toHaveLength(4);
    }
  });
});
