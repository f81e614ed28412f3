import type { SolidMesh } from './solidMesh.ts';

/**
 * Joins corners that share a place into one vertex, and drops triangles that thereby lose a corner.
 *
 * `corners` is a flat list of x, y, z, nine numbers per triangle, as files without shared vertices hold them. With
 * `gridMm` 0 only equal coordinates are joined; above 0 coordinates are first rounded to that grid, which mends the
 * rounding that different programs leave at a seam.
 */
export function weld(corners: Float32Array, gridMm = 0): SolidMesh {
  const cornerCount = corners.length / 3;
  const keys = gridMm > 0 ? roundedKeys(corners, gridMm) : exactKeys(corners);

  // Open addressing over the three key words: several times faster than a Map of strings on a large file.
  let capacity = 16;
  while (capacity < cornerCount * 2) capacity *= 2;
  const slots = new Int32Array(capacity).fill(-1);
  const mask = capacity - 1;
  const positions = new Float32Array(corners.length);
  const firstCorner = new Uint32Array(cornerCount);
  const vertexOf = new Uint32Array(cornerCount);
  let vertexCount = 0;

  for (let corner = 0; corner < cornerCount; corner++) {
    const i = 3 * corner;
    const kx = keys[i];
    const ky = keys[i + 1];
    const kz = keys[i + 2];
    let hash = Math.imul(kx, 0x9e3779b1) ^ Math.imul(ky, 0x85ebca6b) ^ Math.imul(kz, 0xc2b2ae35);
    hash ^= hash >>> 15;
    let slot = hash & mask;
    for (;;) {
      const vertex = slots[slot];
      if (vertex < 0) {
        slots[slot] = vertexCount;
        firstCorner[vertexCount] = corner;
        positions[3 * vertexCount] = corners[i];
        positions[3 * vertexCount + 1] = corners[i + 1];
        positions[3 * vertexCount + 2] = corners[i + 2];
        vertexOf[corner] = vertexCount++;
        break;
      }
      const j = 3 * firstCorner[vertex];
      if (keys[j] === kx && keys[j + 1] === ky && keys[j + 2] === kz) {
        vertexOf[corner] = vertex;
        break;
      }
      slot = (slot + 1) & mask;
    }
  }

  let kept = 0;
  for (let corner = 0; corner < cornerCount; corner += 3) {
    const a = vertexOf[corner];
    const b = vertexOf[corner + 1];
    const c = vertexOf[corner + 2];
    if (a === b || b === c || c === a) continue;
    vertexOf[kept] = a;
    vertexOf[kept + 1] = b;
    vertexOf[kept + 2] = c;
    kept += 3;
  }
  return { positions: positions.slice(0, 3 * vertexCount), triangles: vertexOf.slice(0, kept) };
}

/** The mesh with vertices closer than `gridMm` joined, whether or not it shared vertices before. */
export function rewelded({ positions, triangles }: SolidMesh, gridMm: number): SolidMesh {
  const corners = new Float32Array(triangles.length * 3);
  for (let i = 0; i < triangles.length; i++) {
    const from = 3 * triangles[i];
    corners[3 * i] = positions[from];
    corners[3 * i + 1] = positions[from + 1];
    corners[3 * i + 2] = positions[from + 2];
  }
  return weld(corners, gridMm);
}

function exactKeys(corners: Float32Array): Int32Array {
  // Adding 0 turns −0 into 0, so that both have the same bits.
  const normalised = corners.map((value) => value + 0);
  return new Int32Array(normalised.buffer);
}

function roundedKeys(corners: Float32Array, gridMm: number): Int32Array {
  const keys = new Int32Array(corners.length);
  for (let i = 0; i < corners.length; i++) keys[i] = Math.round(corners[i] / gridMm);
  return keys;
}
