/**
 * Places in space, found again by whoever comes near one of them. A table of small cubes, in flat arrays; cubes that
 * share a place of the table only cost a comparison.
 */
export class NearPlaces {
  readonly #positions: Float32Array;
  readonly #cellMm: number;
  readonly #heads: Int32Array;
  readonly #next: Int32Array;
  readonly #vertices: Int32Array;
  #count = 0;

  /**
   * @param positions x, y, z of each vertex
   * @param most how many vertices will be added at most
   * @param cellMm the edge of a cube: no place further away than this is asked for
   */
  constructor(positions: Float32Array, most: number, cellMm: number) {
    this.#positions = positions;
    this.#cellMm = cellMm;
    let size = 16;
    while (size < 2 * most) size *= 2;
    this.#heads = new Int32Array(size).fill(-1);
    this.#next = new Int32Array(most);
    this.#vertices = new Int32Array(most);
  }

  add(vertex: number): void {
    const [x, y, z] = this.#cellOf(
      this.#positions[3 * vertex],
      this.#positions[3 * vertex + 1],
      this.#positions[3 * vertex + 2],
    );
    const place = this.#placeOf(x, y, z);
    this.#vertices[this.#count] = vertex;
    this.#next[this.#count] = this.#heads[place];
    this.#heads[place] = this.#count++;
  }

  /** Visits every vertex in the cubes around a place, at least all that are no further from it than a cube is wide. */
  around(x: number, y: number, z: number, visit: (vertex: number) => void): void {
    const [cx, cy, cz] = this.#cellOf(x, y, z);
    for (let dx = -1; dx <= 1; dx++) {
      for (let dy = -1; dy <= 1; dy++) {
        for (let dz = -1; dz <= 1; dz++) {
          let at = this.#heads[this.#placeOf(cx + dx, cy + dy, cz + dz)];
          for (; at >= 0; at = this.#next[at]) visit(this.#vertices[at]);
        }
      }
    }
  }

  #cellOf(x: number, y: number, z: number): [number, number, number] {
    const cell = this.#cellMm;
    return [Math.floor(x / cell), Math.floor(y / cell), Math.floor(z / cell)];
  }

  #placeOf(x: number, y: number, z: number): number {
    let hash = Math.imul(x | 0, 0x9e3779b1) ^ Math.imul(y | 0, 0x85ebca6b) ^ Math.imul(z | 0, 0xc2b2ae35);
    hash = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d);
    return (hash ^ (hash >>> 13)) & (this.#heads.length - 1);
  }
}
