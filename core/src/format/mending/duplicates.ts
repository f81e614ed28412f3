import type { SolidMesh } from '../../mesh/index.ts';

/** Where more than this share of all triangles is there once each way, the surface was written from both sides. */
const BOTH_SIDES_SHARE = 0.9;

/** A mesh without triangles that are there more than once, and how many were left out. */
export interface Single {
  readonly mesh: SolidMesh;
  readonly dropped: number;
  /** How many of them were there once each way: walls without thickness. */
  readonly walls: number;
}

/**
 * Keeps every triangle once. Two with the same corners that face each other enclose nothing, and both are left out;
 * unless nearly all are like that, since then each is written once for either side.
 */
export function withoutDuplicates(mesh: SolidMesh): Single {
  const { triangles: t } = mesh;
  const count = t.length / 3;
  const firstOf = new Int32Array(count);
  /** By the first triangle with the same corners, how many there are that turn like it and how many against it. */
  const alike = new Int32Array(count);
  const against = new Int32Array(count);
  const table = new TrianglesByCorners(t);
  let isSingle = true;
  for (let face = 0; face < count; face++) {
    const first = (firstOf[face] = table.firstWithCornersOf(face));
    if (first !== face) isSingle = false;
    if (turnsAlike(t, first, face)) alike[first]++;
    else against[first]++;
  }
  if (isSingle) return { mesh, dropped: 0, walls: 0 };
  let paired = 0;
  for (let face = 0; face < count; face++) paired += 2 * Math.min(alike[face], against[face]);
  const isFromBothSides = paired > BOTH_SIDES_SHARE * count;
  const kept = new Uint32Array(t.length);
  let length = 0;
  let walls = 0;
  for (let face = 0; face < count; face++) {
    if (firstOf[face] !== face) continue;
    const net = alike[face] - against[face];
    if (net === 0 && !isFromBothSides) {
      walls += alike[face] + against[face];
      continue;
    }
    const isTurned = net < 0;
    kept[length++] = t[3 * face];
    kept[length++] = t[3 * face + (isTurned ? 2 : 1)];
    kept[length++] = t[3 * face + (isTurned ? 1 : 2)];
  }
  return {
    mesh: { positions: mesh.positions, triangles: kept.slice(0, length) },
    dropped: count - length / 3 - walls,
    walls,
  };
}

/** Whether two triangles with the same corners run through them the same way about. */
function turnsAlike(t: Uint32Array, a: number, b: number): boolean {
  const k = [0, 1, 2].find((each) => t[3 * b + each] === t[3 * a])!;
  return t[3 * b + ((k + 1) % 3)] === t[3 * a + 1];
}

/** Triangles by the three corners that they have, whichever way about: a table with open addressing. */
class TrianglesByCorners {
  readonly #triangles: Uint32Array;
  readonly #slots: Int32Array;

  constructor(triangles: Uint32Array) {
    this.#triangles = triangles;
    let size = 16;
    while (size < (2 * triangles.length) / 3) size *= 2;
    this.#slots = new Int32Array(size).fill(-1);
  }

  /** The first triangle that was asked for with the same corners; the triangle itself if it is the first. */
  firstWithCornersOf(face: number): number {
    const [a, b, c] = this.#sorted(face);
    let hash = Math.imul(a, 0x9e3779b1) ^ Math.imul(b, 0x85ebca6b) ^ Math.imul(c, 0xc2b2ae35);
    hash = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d);
    let slot = (hash ^ (hash >>> 13)) & (this.#slots.length - 1);
    for (;;) {
      const first = this.#slots[slot];
      if (first < 0) return (this.#slots[slot] = face);
      const [x, y, z] = this.#sorted(first);
      if (x === a && y === b && z === c) return first;
      slot = (slot + 1) & (this.#slots.length - 1);
    }
  }

  #sorted(face: number): [number, number, number] {
    const [a, b, c] = [
      this.#triangles[3 * face],
      this.#triangles[3 * face + 1],
      this.#triangles[3 * face + 2],
    ];
    const low = Math.min(a, b, c);
    const high = Math.max(a, b, c);
    return [low, a + b + c - low - high, high];
  }
}
