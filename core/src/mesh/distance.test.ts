import { describe, expect, it } from 'vitest';
import { distanceBetween, type MeasuredEnd, type SurfacePoint } from './distance.ts';
import type { Vec3 } from './solidMesh.ts';

const at = (point: SurfacePoint['point'], normal: SurfacePoint['normal']) => ({ point, normal });

describe('measuring between two places on a solid', () => {
  it('gives the straight way, its shares along the axes, and how far parallel faces are apart', () => {
    const measured = distanceBetween(at([1, 2, 0], [0, 0, -1]), at([4, -2, 12], [0, 0, 1]));
    expect(measured).toMatchObject({ straightMm: 13, alongMm: [3, 4, 12], facesMm: 12 });
  });

  it('gives no distance but 0 for two points of one face', () => {
    expect(distanceBetween(at([0, 0, 5], [0, 0, 1]), at([8, 6, 5], [0, 0, 1]))).toMatchObject({
      straightMm: 10,
      facesMm: 0,
    });
  });

  it('gives the angle of faces that meet, as it is inside the material', () => {
    const corner = distanceBetween(at([0, 0, 1], [1, 0, 0]), at([-1, 0, 2], [0, 0, 1]));
    expect(corner.angleDeg).toBeCloseTo(90);
    expect(corner.facesMm).toBeUndefined();
    const slope: [number, number, number] = [Math.SQRT1_2, 0, Math.SQRT1_2];
    expect(distanceBetween(at([0, 0, 0], [0, 0, 1]), at([1, 0, 0], slope)).angleDeg).toBeCloseTo(135);
  });
});

describe('measuring between edges', () => {
  const onEdge = (from: Vec3, to: Vec3): MeasuredEnd => ({
    ...at(from, [0, 0, 1]),
    edge: { kind: 'straight', from, to },
  });
  const onCircle = (middle: Vec3, radiusMm: number): MeasuredEnd => ({
    ...at([middle[0] + radiusMm, middle[1], middle[2]], [0, 0, 1]),
    edge: { kind: 'round', middle, radiusMm, points: [], isWhole: true },
  });

  it('tells how far parallel edges are apart, wherever along them they were pressed', () => {
    const measured = distanceBetween(onEdge([0, 0, 0], [40, 0, 0]), onEdge([90, 6, 8], [60, 6, 8]));
    expect(measured).toMatchObject({ straightMm: 10, alongMm: [0, 6, 8], edgesDeg: 0 });
  });

  it('tells the angle where two edges meet, and the smaller one where they only would', () => {
    const wide: Vec3 = [-5, 5 * Math.sqrt(3), 0];
    const meeting = distanceBetween(onEdge([0, 0, 0], [40, 0, 0]), onEdge(wide, [0, 0, 0]));
    expect(meeting.edgesDeg).toBeCloseTo(120, 6);
    expect(meeting.straightMm).toBeCloseTo(0, 9);
    const apart = distanceBetween(
      onEdge([0, 0, 0], [40, 0, 0]),
      onEdge([-1, 1, 3], [-1 + wide[0], 1 + wide[1], 3]),
    );
    expect(apart.edgesDeg).toBeCloseTo(60, 6);
    expect(apart.straightMm).toBeCloseTo(3, 9);
  });

  it('counts from the middle of a circle, and at right angles to an edge', () => {
    expect(distanceBetween(onCircle([7, 14, 2], 2), onCircle([77, 14, 2], 5)).straightMm).toBe(70);
    const toEdge = distanceBetween(onCircle([7, 14, 2], 2), onEdge([0, 0, 2], [0, 28, 2]));
    expect(toEdge).toMatchObject({ straightMm: 7, from: [7, 14, 2], to: [0, 14, 2] });
    expect(distanceBetween(onEdge([0, 0, 2], [0, 28, 2]), at([3, 50, 6], [0, 1, 0])).straightMm).toBe(5);
  });
});
