import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Vec3 } from '../../mesh/index.ts';
import { planeBasis, smallestAxis } from './fit.ts';

const angle = fc.double({ min: 0, max: 2 * Math.PI, noNaN: true });
const direction: fc.Arbitrary<Vec3> = fc
  .tuple(angle, fc.double({ min: -1, max: 1, noNaN: true }))
  .map(([turn, z]) => {
    const r = Math.sqrt(1 - z * z);
    return [r * Math.cos(turn), r * Math.sin(turn), z];
  });
const dot = (a: Vec3, b: Vec3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

describe('directions', () => {
  it('spans a plane square to any axis with two square unit vectors', () => {
    fc.assert(
      fc.property(direction, (axis) => {
        const [u, v] = planeBasis(axis);
        for (const [a, b] of [
          [axis, u],
          [axis, v],
          [u, v],
        ] as const)
          expect(dot(a, b)).toBeCloseTo(0, 9);
        for (const each of [u, v]) expect(dot(each, each)).toBeCloseTo(1, 9);
      }),
    );
  });

  it('finds the axis of a cylinder’s normals, however it lies', () => {
    fc.assert(
      fc.property(direction, fc.integer({ min: 5, max: 60 }), (axis, count) => {
        const [u, v] = planeBasis(axis);
        const normals = new Float64Array(3 * count);
        for (let i = 0; i < count; i++) {
          const at = (2 * Math.PI * i) / count;
          for (let k = 0; k < 3; k++) normals[3 * i + k] = Math.cos(at) * u[k] + Math.sin(at) * v[k];
        }
        const faces = { normals, areas: new Float64Array(count).fill(1) };
        const found = smallestAxis(
          faces,
          Array.from({ length: count }, (_, i) => i),
        );
        expect(Math.abs(dot(found, axis))).toBeCloseTo(1, 6);
      }),
    );
  });
});
