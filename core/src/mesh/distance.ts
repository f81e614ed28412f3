import type { Vec3 } from './solidMesh.ts';

/** A point on a surface, with the outward direction of the face that it lies on. */
export interface SurfacePoint {
  readonly point: Vec3;
  readonly normal: Vec3;
}

/** How far apart two places on a surface are. */
export interface Distance {
  /** In a straight line, mm. */
  readonly straightMm: number;
  /** Along x, y and z, mm, without signs. */
  readonly alongMm: Vec3;
  /** Between the planes of the two faces, mm, where they are parallel. */
  readonly facesMm?: number;
  /** The angle between the two faces as one would measure it inside the material, where they are not. */
  readonly angleDeg?: number;
}

/** Faces that differ by less are meant to be parallel: half a degree. */
const PARALLEL_COSINE = Math.cos(Math.PI / 360);

/**
 * Measures between two places on a surface.
 *
 * @example
 * distanceBetween({ point: [0, 0, 0], normal: [0, 0, -1] }, { point: [3, 4, 12], normal: [0, 0, 1] })
 * // { straightMm: 13, alongMm: [3, 4, 12], facesMm: 12 }
 */
export function distanceBetween(a: SurfacePoint, b: SurfacePoint): Distance {
  const way = [0, 1, 2].map((i) => b.point[i] - a.point[i]);
  const dot = (u: readonly number[], v: readonly number[]) => u[0] * v[0] + u[1] * v[1] + u[2] * v[2];
  const straight = {
    straightMm: Math.hypot(...way),
    alongMm: way.map(Math.abs) as unknown as Vec3,
  };
  const cosine = dot(a.normal, b.normal);
  if (Math.abs(cosine) >= PARALLEL_COSINE) return { ...straight, facesMm: Math.abs(dot(way, a.normal)) };
  return { ...straight, angleDeg: 180 - (Math.acos(cosine) * 180) / Math.PI };
}
