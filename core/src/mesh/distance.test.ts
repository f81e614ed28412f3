import { describe, expect, it } from 'vitest';
import { distanceBetween, type SurfacePoint } from './distance.ts';

const at = (point: SurfacePoint['point'], normal: SurfacePoint['normal']) => ({ point, normal });

describe('measuring between two places on a solid', () => {
  it('gives the straight way, its shares along the axes, and how far parallel faces are apart', () => {
    const measured = distanceBetween(at([1, 2, 0], [0, 0, -1]), at([4, -2, 12], [0, 0, 1]));
    expect(measured).toEqual({ straightMm: 13, alongMm: [3, 4, 12], facesMm: 12 });
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
