import { describe, expect, it } from 'vitest';
import { marched } from '../../../test/wildMeshes.ts';
import type { Vec3 } from '../../mesh/index.ts';
import type { Hole } from './hole.ts';
import { roughHoles } from './roughHoles.ts';
import { subjectOf } from './subject.ts';

const dot = (a: Vec3, b: Vec3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const unit = ([x, y, z]: Vec3): Vec3 => {
  const long = Math.hypot(x, y, z);
  return [x / long, y / long, z / long];
};
/** How far a place is from a line through another, and how far along it it lies. */
const beside = (at: Vec3, from: Vec3, way: Vec3) => {
  const off: Vec3 = [at[0] - from[0], at[1] - from[1], at[2] - from[2]];
  const along = dot(off, way);
  return { along, across: Math.sqrt(Math.max(0, dot(off, off) - along ** 2)) };
};

/** A ball's worth of material cut by two planes square to an axis, with holes or posts along it: all of it marched. */
const slab = (
  way: Vec3,
  thickMm: number,
  holes: readonly { at: Vec3; radiusMm: number; fromMm?: number }[],
) => {
  const axis = unit(way);
  return subjectOf(
    marched(
      (x, y, z) => {
        const { along, across } = beside([x, y, z], [0, 0, 0], axis);
        const body = Math.max(Math.abs(along) - thickMm / 2, across - 12);
        return holes.reduce((field, { at, radiusMm, fromMm = -Infinity }) => {
          const hole = beside([x, y, z], at, axis);
          return Math.max(field, -Math.max(hole.across - radiusMm, fromMm - hole.along));
        }, body);
      },
      [-14.2, -14.1, -14.3],
      [14, 14, 14],
      0.7,
    ),
  );
};
const ways: readonly [...Vec3, number][] = [[0, 0, 1, 2.5], [1, 0, 0, 4], [0, 1, 0, 3], [0.3, 0.2, 1, 4], [1, -0.7, 0.5, 2.5]]; // oxfmt-ignore
const found = (subject: ReturnType<typeof slab>) => roughHoles(subject, new Set(), 340);

describe('a hole whose wall is rough', () => {
  it.each(ways)(
    'is found as it was made, along %f %f %f and with a radius of %f mm',
    (...[x, y, z, radiusMm]) => {
      const axis = unit([x, y, z]);
      const subject = slab(axis, 8, [{ at: [0, 0, 0], radiusMm }]);
      const holes = found(subject);
      expect(holes).toHaveLength(1);
      const [hole] = holes;
      expect(hole).toMatchObject({ shape: 'round', through: true });
      expect(Math.abs(hole.diameterMm / (2 * radiusMm) - 1)).toBeLessThan(0.03);
      expect(Math.abs(hole.depthMm - 8)).toBeLessThan(0.8);
      expect(Math.abs(dot(hole.axis, axis))).toBeGreaterThan(0.9995);
      expect(Math.hypot(...hole.middle)).toBeLessThan(0.4);
      // Its triangles are the wall: near the circle, and all of it but the rims, which marching bevels by half a cell.
      const { positions: p, triangles: t } = subject.mesh;
      for (const f of hole.triangles) {
        for (let k = 0; k < 3; k++) {
          const corner = [0, 1, 2].map((i) => p[3 * t[3 * f + k] + i]) as unknown as Vec3;
          expect(Math.abs(beside(corner, [0, 0, 0], axis).across - radiusMm)).toBeLessThan(0.4);
        }
      }
      const areaMm2 = hole.triangles.reduce((sum, f) => sum + subject.faces.areas[f], 0);
      expect(areaMm2 / (2 * Math.PI * radiusMm * 8)).toBeGreaterThan(0.8);
      expect(areaMm2 / (2 * Math.PI * radiusMm * 8)).toBeLessThan(1.01);
    },
  );

  it('is one of several, each of its own size and in its own place', () => {
    const subject = slab([0, 0, 1], 8, [
      { at: [-5, 0, 0], radiusMm: 2 },
      { at: [4, 3, 0], radiusMm: 3 },
    ]);
    const holes = found(subject).toSorted((a: Hole, b: Hole) => a.diameterMm - b.diameterMm);
    expect(holes.map(({ diameterMm }) => Math.round(diameterMm))).toEqual([4, 6]);
    expect(Math.hypot(holes[0].middle[0] + 5, holes[0].middle[1])).toBeLessThan(0.15);
    expect(Math.hypot(holes[1].middle[0] - 4, holes[1].middle[1] - 3)).toBeLessThan(0.15);
  });

  it('is not open where it has a floor, and is left out where its facets are taken', () => {
    const subject = slab([0, 0, 1], 10, [{ at: [0, 0, 0], radiusMm: 3, fromMm: -2 }]);
    const [hole, ...others] = found(subject);
    expect(others).toEqual([]);
    expect(hole.through).toBe(false);
    expect(Math.abs(hole.depthMm - 7)).toBeLessThan(0.8);
    expect(roughHoles(subject, new Set(hole.triangles), 340)).toEqual([]);
  });

  it('is neither a post nor a bowl nor what is open along its side', () => {
    const post = marched((x, y, z) => Math.max(Math.hypot(x, y) - 4, Math.abs(z) - 5), [-5.2, -5.1, -6.3], [5, 5, 6], 0.6); // oxfmt-ignore
    expect(found(subjectOf(post))).toEqual([]);
    const bowl = marched(
      (x, y, z) => Math.max(Math.abs(z) - 5, Math.hypot(x, y) - 10, 6 - Math.hypot(x, y, z - 6)),
      [-11.2, -11.1, -6.3],
      [11, 11, 6],
      0.7,
    );
    expect(found(subjectOf(bowl))).toEqual([]);
    const channel = slab([0, 0, 1], 8, [{ at: [11, 0, 0], radiusMm: 4 }]);
    expect(found(channel)).toEqual([]);
  });
});
