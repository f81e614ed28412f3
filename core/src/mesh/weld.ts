import type { SolidMesh } from './solidMesh.ts';

/**
 * Joins corners with equal coordinates into one vertex, and drops triangles that thereby lose a corner.
 *
 * `corners` is a flat list of x, y, z, nine numbers per triangle, as files without shared vertices hold them.
 */
export function weld(corners: Float32Array): SolidMesh {
  const cornerCount = corners.length / 3;
  const keys = exactKeys(corners);

  // Open addressing over the three key words: several times faster than a Map of strings on a large file. In a closed
  // surface six corners meet in a vertex, so the table begins at that size, which a processor's cache can hold, and
  // grows if it has to.
  let slots = new Int32Array(powerOfTwoAbove(cornerCount / 3)).fill(-1);
  let mask = slots.length - 1;
  let vertexKeys = new Int32Array(3 * slots.length);
  const firstCorner = new Uint32Array(cornerCount);
  const vertexOf = new Uint32Array(cornerCount);
  let vertexCount = 0;

  for (let corner = 0; corner < cornerCount; corner++) {
    const i = 3 * corner;
    const kx = keys[i];
    const ky = keys[i + 1];
    const kz = keys[i + 2];
    let slot = hashOf(kx, ky, kz) & mask;
    for (;;) {
      const vertex = slots[slot];
      if (vertex < 0) {
        slots[slot] = vertexCount;
        firstCorner[vertexCount] = corner;
        vertexKeys[3 * vertexCount] = kx;
        vertexKeys[3 * vertexCount + 1] = ky;
        vertexKeys[3 * vertexCount + 2] = kz;
        vertexOf[corner] = vertexCount++;
        break;
      }
      const j = 3 * vertex;
      if (vertexKeys[j] === kx && vertexKeys[j + 1] === ky && vertexKeys[j + 2] === kz) {
        vertexOf[corner] = vertex;
        break;
      }
      slot = (slot + 1) & mask;
    }
    if (vertexCount * 2 > slots.length) {
      slots = grown(vertexKeys, vertexCount, slots.length * 2);
      mask = slots.length - 1;
      const longer = new Int32Array(3 * slots.length);
      longer.set(vertexKeys);
      vertexKeys = longer;
    }
  }
  const positions = new Float32Array(3 * vertexCount);
  for (let vertex = 0; vertex < vertexCount; vertex++) {
    const i = 3 * firstCorner[vertex];
    positions[3 * vertex] = corners[i];
    positions[3 * vertex + 1] = corners[i + 1];
    positions[3 * vertex + 2] = corners[i + 2];
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
  return { positions, triangles: vertexOf.slice(0, kept) };
}

function hashOf(kx: number, ky: number, kz: number): number {
  let hash = Math.imul(kx, 0x9e3779b1) ^ Math.imul(ky, 0x85ebca6b) ^ Math.imul(kz, 0xc2b2ae35);
  hash = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d);
  return hash ^ (hash >>> 13);
}

/** A larger table with the same vertices in it. */
function grown(vertexKeys: Int32Array, vertexCount: number, length: number): Int32Array<ArrayBuffer> {
  const slots = new Int32Array(length).fill(-1);
  for (let vertex = 0; vertex < vertexCount; vertex++) {
    let slot =
      hashOf(vertexKeys[3 * vertex], vertexKeys[3 * vertex + 1], vertexKeys[3 * vertex + 2]) & (length - 1);
    while (slots[slot] >= 0) slot = (slot + 1) & (length - 1);
    slots[slot] = vertex;
  }
  return slots;
}

function powerOfTwoAbove(count: number): number {
  let power = 16;
  while (power < count) power *= 2;
  return power;
}

function exactKeys(corners: Float32Array): Int32Array {
  const keys = new Int32Array(corners.length);
  const bits = new Int32Array(corners.buffer, corners.byteOffset, corners.length);
  // The bits of −0 are turned into those of 0, which is the same place.
  for (let i = 0; i < bits.length; i++) keys[i] = bits[i] === -0x80000000 ? 0 : bits[i];
  return keys;
}
