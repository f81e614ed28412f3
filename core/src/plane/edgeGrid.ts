import { extentOf, type Point, type Region } from './region.ts';

/**
 * The edges of a region by the squares that they pass, so that those near a place are found at once. All of it lies in a
 * few typed arrays, since millions of places are asked for.
 */
export class EdgeGrid {
  /** x and y of where each edge begins and ends. */
  readonly ends: Float64Array;
  /** The edges that the last call of {@link near} found, by their numbers. */
  readonly found: Uint32Array;
  readonly #cellMm: number;
  readonly #lowX: number;
  readonly #lowY: number;
  readonly #columns: number;
  readonly #rows: number;
  /** Where the edges of each square begin in the list of all, square after square. */
  readonly #firstOf: Uint32Array;
  readonly #edges: Uint32Array;
  /** The number of the call that visited each edge last, as a long one lies in many squares. */
  readonly #visited: Uint32Array;
  #visit = 0;
  /** The squares of one edge, while they are written. */
  readonly #squares: number[] = [];

  /** `reachMm` is how far from a place edges are looked for. */
  constructor(region: Region, reachMm: number) {
    const count = region.reduce((sum, outline) => sum + outline.length, 0);
    this.ends = new Float64Array(4 * count);
    let edge = 0;
    for (const outline of region) {
      for (let i = 0; i < outline.length; i++)
        this.#write(edge++, outline[i], outline[(i + 1) % outline.length]);
    }
    const { x, y } = extentOf(region);
    // Squares are no smaller than a thousandth of the whole, so that there are never too many.
    this.#cellMm = Math.max(reachMm, (x.high - x.low) / 1000, (y.high - y.low) / 1000) || 1;
    this.#lowX = x.low;
    this.#lowY = y.low;
    this.#columns = Math.max(0, this.#column(x.high) + 1);
    this.#rows = Math.max(0, this.#row(y.high) + 1);
    this.#firstOf = new Uint32Array(this.#columns * this.#rows + 1);
    for (let e = 0; e < count; e++) {
      const passed = this.#squaresOf(e);
      for (let i = 0; i < passed; i++) this.#firstOf[this.#squares[i] + 1]++;
    }
    for (let square = 1; square < this.#firstOf.length; square++)
      this.#firstOf[square] += this.#firstOf[square - 1];
    this.#edges = new Uint32Array(this.#firstOf[this.#firstOf.length - 1]);
    const next = this.#firstOf.slice();
    for (let e = 0; e < count; e++) {
      const passed = this.#squaresOf(e);
      for (let i = 0; i < passed; i++) this.#edges[next[this.#squares[i]]++] = e;
    }
    this.#visited = new Uint32Array(count);
    this.found = new Uint32Array(count);
  }

  /** Finds all edges that come within reach of a place, and some others; returns how many there are in {@link found}. */
  near(px: number, py: number): number {
    const [column, row] = [this.#column(px), this.#row(py)];
    const visit = ++this.#visit;
    let count = 0;
    for (let y = Math.max(0, row - 1); y <= Math.min(this.#rows - 1, row + 1); y++) {
      for (let x = Math.max(0, column - 1); x <= Math.min(this.#columns - 1, column + 1); x++) {
        const square = y * this.#columns + x;
        const end = this.#firstOf[square + 1];
        for (let i = this.#firstOf[square]; i < end; i++) {
          const edge = this.#edges[i];
          if (this.#visited[edge] === visit) continue;
          this.#visited[edge] = visit;
          this.found[count++] = edge;
        }
      }
    }
    return count;
  }

  #write(edge: number, from: Point, to: Point): void {
    this.ends[4 * edge] = from[0];
    this.ends[4 * edge + 1] = from[1];
    this.ends[4 * edge + 2] = to[0];
    this.ends[4 * edge + 3] = to[1];
  }

  /** Writes the squares that an edge passes, in each row from where it enters to where it leaves; returns how many they are. */
  #squaresOf(edge: number): number {
    const { ends } = this;
    const ax = ends[4 * edge];
    const ay = ends[4 * edge + 1];
    const perMm = (ends[4 * edge + 2] - ax) / (ends[4 * edge + 3] - ay);
    const xLow = Math.min(ax, ends[4 * edge + 2]);
    const xHigh = Math.max(ax, ends[4 * edge + 2]);
    const low = this.#row(Math.min(ay, ends[4 * edge + 3]));
    const high = this.#row(Math.max(ay, ends[4 * edge + 3]));
    let count = 0;
    for (let row = low; row <= high; row++) {
      let from = xLow;
      let to = xHigh;
      if (low !== high) {
        // The part of the edge within the row.
        const x0 = ax + (this.#lowY + row * this.#cellMm - ay) * perMm;
        const x1 = x0 + this.#cellMm * perMm;
        from = Math.max(xLow, Math.min(x0, x1));
        to = Math.min(xHigh, Math.max(x0, x1));
      }
      const last = this.#column(to);
      for (let column = this.#column(from); column <= last; column++)
        this.#squares[count++] = row * this.#columns + column;
    }
    return count;
  }

  #column(mm: number): number {
    return Math.floor((mm - this.#lowX) / this.#cellMm);
  }

  #row(mm: number): number {
    return Math.floor((mm - this.#lowY) / this.#cellMm);
  }
}
