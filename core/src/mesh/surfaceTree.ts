import { rayDistance, rayFrom, rayMeetsBox } from './ray.ts';
import type { Box, SolidMesh, Vec3 } from './solidMesh.ts';
import { boxesMeet, boxReaches, isLarger, reachOf, triangleReaches } from './treeBoxes.ts';

/** Boxes with no more triangles than this are not divided further. */
const LEAF = 6;

/** What a ray meets first. */
export interface Hit {
  readonly face: number;
  readonly mm: number;
}

/**
 * The triangles of a mesh in a tree of boxes, so that those on a ray or in a box are found without looking at all.
 *
 * The boxes lie in one list, each before what it holds: of a box that is divided, the first half follows at once and
 * `#other` says where the second begins; of one that is not, `#count` says how many triangles of `#order` it holds.
 */
export class SurfaceTree {
  readonly #mesh: SolidMesh;
  readonly #order: Uint32Array;
  readonly #bounds: Float32Array;
  readonly #first: Uint32Array;
  readonly #count: Uint32Array;
  readonly #other: Uint32Array;
  /** Boxes still to be looked into; the tree halves at each step, so that few are open at once. */
  readonly #open = new Uint32Array(128);
  #boxes = 0;

  constructor(mesh: SolidMesh) {
    this.#mesh = mesh;
    const faces = mesh.triangles.length / 3;
    this.#order = Uint32Array.from({ length: faces }, (_, i) => i);
    const most = Math.max(1, Math.ceil((4 * faces) / LEAF) + 1);
    this.#bounds = new Float32Array(6 * most);
    this.#first = new Uint32Array(most);
    this.#count = new Uint32Array(most);
    this.#other = new Uint32Array(most);
    const middles = middlesOf(mesh);
    if (faces > 0) this.#divide(0, faces, middles);
  }

  #divide(from: number, to: number, middles: Float32Array): void {
    const box = this.#boxes++;
    if (to - from <= LEAF) {
      this.#first[box] = from;
      this.#count[box] = to - from;
      this.#measure(6 * box, from, to);
      return;
    }
    const half = (from + to) >> 1;
    this.#select(from, to - 1, half, middles, this.#longest(from, to, middles));
    this.#divide(from, half, middles);
    const other = this.#boxes;
    this.#other[box] = other;
    this.#divide(half, to, middles);
    const bounds = this.#bounds;
    for (let axis = 0; axis < 3; axis++) {
      const [own, first, second] = [6 * box + axis, 6 * (box + 1) + axis, 6 * other + axis];
      bounds[own] = Math.min(bounds[first], bounds[second]);
      bounds[own + 3] = Math.max(bounds[first + 3], bounds[second + 3]);
    }
  }

  /** Writes the box around triangles to a place in the bounds. */
  #measure(b: number, from: number, to: number): void {
    const { positions: p, triangles: t } = this.#mesh;
    const bounds = this.#bounds;
    for (let axis = 0; axis < 3; axis++) {
      let low = Infinity;
      let high = -Infinity;
      for (let i = from; i < to; i++) {
        const corner = 3 * this.#order[i];
        for (let k = 0; k < 3; k++) {
          const value = p[3 * t[corner + k] + axis];
          if (value < low) low = value;
          if (value > high) high = value;
        }
      }
      bounds[b + axis] = low;
      bounds[b + 3 + axis] = high;
    }
  }

  /** The axis along which the middles of triangles are spread furthest. */
  #longest(from: number, to: number, middles: Float32Array): number {
    let longest = 0;
    let most = -1;
    for (let axis = 0; axis < 3; axis++) {
      let low = Infinity;
      let high = -Infinity;
      for (let i = from; i < to; i++) {
        const value = middles[3 * this.#order[i] + axis];
        if (value < low) low = value;
        if (value > high) high = value;
      }
      if (high - low > most) {
        most = high - low;
        longest = axis;
      }
    }
    return longest;
  }

  /** Puts the triangles in such an order that none before `nth` lies further along an axis than those after (Hoare, 1961). */
  #select(from: number, to: number, nth: number, middles: Float32Array, axis: number): void {
    const order = this.#order;
    let left = from;
    let right = to;
    while (left < right) {
      const pivot = middles[3 * order[(left + right) >> 1] + axis];
      let i = left;
      let j = right;
      while (i <= j) {
        while (middles[3 * order[i] + axis] < pivot) i++;
        while (middles[3 * order[j] + axis] > pivot) j--;
        if (i > j) break;
        const swapped = order[i];
        order[i++] = order[j];
        order[j--] = swapped;
      }
      if (nth <= j) right = j;
      else if (nth >= i) left = i;
      else return;
    }
  }

  /**
   * The first triangle on a ray between two distances from its beginning; `way` is a unit vector.
   *
   * @param skip faces that the ray passes through
   */
  firstHit(
    from: Vec3,
    way: Vec3,
    [nearMm, farMm]: readonly [number, number],
    skip?: (face: number) => boolean,
  ): Hit | undefined {
    const { positions: p, triangles: t } = this.#mesh;
    const open = this.#open;
    const ray = rayFrom(from, way);
    let mm = farMm;
    let hit = -1;
    let depth = 0;
    if (this.#boxes > 0) open[depth++] = 0;
    while (depth > 0) {
      const box = open[--depth];
      if (!rayMeetsBox(this.#bounds, 6 * box, ray, mm)) continue;
      if (this.#other[box] !== 0) {
        open[depth++] = this.#other[box];
        open[depth++] = box + 1;
        continue;
      }
      const end = this.#first[box] + this.#count[box];
      for (let i = this.#first[box]; i < end; i++) {
        const face = this.#order[i];
        const distance = rayDistance(p, 3 * t[3 * face], 3 * t[3 * face + 1], 3 * t[3 * face + 2], from, way);
        if (distance < nearMm || distance > mm || skip?.(face)) continue;
        mm = distance;
        hit = face;
      }
    }
    return hit < 0 ? undefined : { face: hit, mm };
  }

  /**
   * Whether a face that reaches into a box, as far as its own box tells, is what is looked for.
   *
   * @param isWanted asked of each face near by, until it says yes
   */
  hasFaceIn({ min, max }: Box, isWanted: (face: number) => boolean): boolean {
    const { positions: p, triangles: t } = this.#mesh;
    const open = this.#open;
    let depth = 0;
    if (this.#boxes > 0) open[depth++] = 0;
    while (depth > 0) {
      const box = open[--depth];
      if (!boxReaches(this.#bounds, 6 * box, min, max)) continue;
      if (this.#other[box] !== 0) {
        open[depth++] = this.#other[box];
        open[depth++] = box + 1;
        continue;
      }
      const end = this.#first[box] + this.#count[box];
      for (let i = this.#first[box]; i < end; i++) {
        const face = this.#order[i];
        if (
          triangleReaches(p, 3 * t[3 * face], 3 * t[3 * face + 1], 3 * t[3 * face + 2], min, max) &&
          isWanted(face)
        )
          return true;
      }
    }
    return false;
  }

  /** The corner of the mesh that is furthest along a way, as the place where its x stands; −1 where there is no face. */
  furthest(way: Vec3): number {
    const { positions: p, triangles: t } = this.#mesh;
    const open = this.#open;
    let most = -Infinity;
    let best = -1;
    let depth = 0;
    if (this.#boxes > 0) open[depth++] = 0;
    while (depth > 0) {
      const box = open[--depth];
      if (reachOf(this.#bounds, 6 * box, way) <= most) continue;
      const other = this.#other[box];
      if (other !== 0) {
        // The one that reaches further comes first, and may make the other needless.
        const isOther = reachOf(this.#bounds, 6 * other, way) > reachOf(this.#bounds, 6 * (box + 1), way);
        open[depth++] = isOther ? box + 1 : other;
        open[depth++] = isOther ? other : box + 1;
        continue;
      }
      const end = this.#first[box] + this.#count[box];
      for (let i = this.#first[box]; i < end; i++) {
        for (let k = 0; k < 3; k++) {
          const corner = 3 * t[3 * this.#order[i] + k];
          const along = way[0] * p[corner] + way[1] * p[corner + 1] + way[2] * p[corner + 2];
          if (along > most) [most, best] = [along, corner];
        }
      }
    }
    return best;
  }

  /**
   * Visits every two groups of a few triangles each whose boxes reach into each other, each group with itself among them,
   * once.
   *
   * @param depthMm how far they must reach into each other; nothing for boxes that only touch
   * @param visit hears of the faces of both groups, in lists that are only good until it returns
   */
  eachMeeting(depthMm: number, visit: (faces: Uint32Array, others: Uint32Array) => void): void {
    if (this.#boxes === 0) return;
    // Two boxes each, whose contents are still to be held against each other.
    const open: number[] = [0, 0];
    const groupOf = (box: number) =>
      this.#order.subarray(this.#first[box], this.#first[box] + this.#count[box]);
    while (open.length > 0) {
      const b = open.pop()!;
      const a = open.pop()!;
      const [isGroupA, isGroupB] = [this.#other[a] === 0, this.#other[b] === 0];
      if (a === b) {
        const own = groupOf(a);
        if (isGroupA) visit(own, own);
        else open.push(a + 1, a + 1, this.#other[a], this.#other[a], a + 1, this.#other[a]);
      } else if (boxesMeet(this.#bounds, 6 * a, 6 * b, depthMm)) {
        if (isGroupA && isGroupB) visit(groupOf(a), groupOf(b));
        else if (isGroupB || (!isGroupA && isLarger(this.#bounds, 6 * a, 6 * b)))
          open.push(a + 1, b, this.#other[a], b);
        else open.push(a, b + 1, a, this.#other[b]);
      }
    }
  }
}

function middlesOf({ positions: p, triangles: t }: SolidMesh): Float32Array {
  const middles = new Float32Array(t.length);
  for (let f = 0; f < t.length; f += 3) {
    for (let axis = 0; axis < 3; axis++) {
      middles[f + axis] = (p[3 * t[f] + axis] + p[3 * t[f + 1] + axis] + p[3 * t[f + 2] + axis]) / 3;
    }
  }
  return middles;
}
