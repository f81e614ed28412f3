import type { SolidMesh } from '../../mesh/index.ts';
import type { Layer } from '../paths/toolpath.ts';
import { layerHeights } from './layerHeights.ts';

/** Faces that lean no more than this from level are flat: a layer ends at them. */
const FLAT = 0.9995;
/** Flat faces of less than this in all are none, mm². */
const LEAST_FLAT_MM2 = 1;
/** Slopes are noted in slices of this height, mm. */
const SLICE_MM = 0.05;
/** Heights that lie closer together than this are one, mm. */
const SAME_MM = 0.01;

interface AdaptedSettings {
  readonly firstLayerMm: number;
  /** The finest and the thickest layer. */
  readonly adaptLayersMm: readonly [number, number];
}

/**
 * Layers that are thick where a part is upright and fine where it slopes. The step that a layer leaves on a face is its
 * thickness times how level the face is; nowhere is it larger than the finest layer, so that the part looks as if all of it
 * were printed in that. A layer ends at each flat face.
 */
export function adaptedHeights(
  mesh: SolidMesh,
  heightMm: number,
  { firstLayerMm, adaptLayersMm: [finestMm, thickestMm] }: AdaptedSettings,
): Pick<Layer, 'zMm' | 'thickMm'>[] {
  const [first] = layerHeights(heightMm, { firstLayerMm, layerMm: finestMm });
  if (!first) return [];
  const { levelAt, flats } = slopesOf(mesh, heightMm);
  const ends = [
    ...flats.filter((z) => z > first.zMm + finestMm / 2 && z < heightMm - finestMm / 2),
    heightMm,
  ];
  const layers = [first];
  for (const endMm of ends) {
    let bottomMm = layers[layers.length - 1].zMm;
    while (endMm - bottomMm > SAME_MM) {
      const thickMm = fitted(endMm - bottomMm, thicknessAt(bottomMm), finestMm);
      bottomMm = endMm - bottomMm - thickMm < SAME_MM ? endMm : bottomMm + thickMm;
      layers.push({ zMm: bottomMm, thickMm });
    }
  }
  return layers;

  /** How thick the layer that begins at a height may be. */
  function thicknessAt(bottomMm: number): number {
    let thickMm = thickestMm;
    // What slopes more further up may lie above the thinner layer.
    for (let z = bottomMm; z < bottomMm + thickMm; z += SLICE_MM)
      thickMm = Math.min(thickMm, Math.max(finestMm, finestMm / Math.max(levelAt(z), 1e-6)));
    return thickMm;
  }
}

/** A thickness of which what is left is a whole number, or is left for layers that are no thinner than the finest. */
function fitted(leftMm: number, thickMm: number, finestMm: number): number {
  if (leftMm <= thickMm) return leftMm;
  return leftMm - thickMm < finestMm ? leftMm / 2 : thickMm;
}

/** How level the most level face at each height is, 0 for a wall and 1 for a floor, and the heights of flat faces. */
function slopesOf({ positions, triangles }: SolidMesh, heightMm: number) {
  const levels = new Float64Array(Math.ceil(heightMm / SLICE_MM) + 2);
  const flatMm2 = new Map<number, number>();
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map((k) =>
      positions.subarray(3 * triangles[t + k], 3 * triangles[t + k] + 3),
    );
    const [ux, uy, uz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
    const [vx, vy, vz] = [c[0] - a[0], c[1] - a[1], c[2] - a[2]];
    const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
    const doubleMm2 = Math.hypot(nx, ny, nz);
    if (doubleMm2 === 0) continue;
    const level = Math.abs(nz) / doubleMm2;
    const [low, high] = [Math.min(a[2], b[2], c[2]), Math.max(a[2], b[2], c[2])];
    if (level > FLAT) {
      const key = Math.round(high / SAME_MM);
      flatMm2.set(key, (flatMm2.get(key) ?? 0) + doubleMm2 / 2);
      continue;
    }
    const from = Math.max(0, Math.floor(low / SLICE_MM));
    for (let slice = from; slice <= Math.floor(high / SLICE_MM); slice++)
      levels[slice] = Math.max(levels[slice], level);
  }
  return {
    levelAt: (zMm: number) => levels[Math.min(levels.length - 1, Math.floor(zMm / SLICE_MM))],
    flats: [...flatMm2]
      .filter(([, mm2]) => mm2 >= LEAST_FLAT_MM2)
      .map(([key]) => key * SAME_MM)
      .sort((a, b) => a - b),
  };
}
