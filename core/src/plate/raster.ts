import { extentOf, type Region } from '../plane/index.ts';

/** The side of a cell, mm. */
export const CELL_MM = 0.5;

/**
 * Cells in rows, each row a run of bits, so that thirty-two cells are compared at once. The lowest bit of a word is the
 * leftmost of its cells.
 */
export class Raster {
  readonly columns: number;
  readonly rows: number;
  readonly wordsPerRow: number;
  readonly words: Uint32Array;
  #kept: Int32Array | undefined;

  constructor(columns: number, rows: number) {
    this.columns = columns;
    this.rows = rows;
    this.wordsPerRow = Math.ceil(columns / 32);
    this.words = new Uint32Array(this.wordsPerRow * rows);
  }

  /** Marks the cells of one row from a column up to, but not including, another. */
  mark(row: number, from: number, to: number): void {
    for (let column = from; column < to; column++) {
      this.words[row * this.wordsPerRow + (column >> 5)] |= 1 << (column & 31);
    }
  }

  has(row: number, column: number): boolean {
    return ((this.words[row * this.wordsPerRow + (column >> 5)] >>> (column & 31)) & 1) === 1;
  }

  /**
   * How many columns another raster, with its lowest left cell at a row and column of this one, has to be moved on at
   * least so that they share no cell; 0 if they share none. It says the least that one row asks for, so it has to be
   * asked again.
   */
  advance(other: Raster, row: number, column: number): number {
    const runs = other.#runs();
    for (let i = 0; i < runs.length; i += 3) {
      const last = this.#lastWithin(row + runs[i], column + runs[i + 1], column + runs[i + 2]);
      // While the beginning of the run is not past that cell, the run lies over it.
      if (last >= 0) return last + 1 - column - runs[i + 1];
    }
    return 0;
  }

  /** How many cells another raster, placed as in {@link advance}, shares with this one. */
  shared(other: Raster, row: number, column: number): number {
    const shift = column & 31;
    const first = column >> 5;
    let cells = 0;
    for (let r = 0; r < other.rows; r++) {
      const own = (row + r) * this.wordsPerRow + first;
      const theirs = r * other.wordsPerRow;
      let carried = 0;
      for (let w = 0; w < other.wordsPerRow; w++) {
        const word = other.words[theirs + w];
        cells += bits(this.words[own + w] & ((word << shift) | carried));
        // What is shifted out of a word at its high end comes into the next one. A shift by 32 would shift by 0.
        carried = shift === 0 ? 0 : word >>> (32 - shift);
      }
      if (first + other.wordsPerRow < this.wordsPerRow)
        cells += bits(this.words[own + other.wordsPerRow] & carried);
    }
    return cells;
  }

  /** The cells around the marked ones, no further than so many cells away, in a raster wider by as many on all sides. */
  around(cells: number): Raster {
    const wider = new Raster(this.columns + 2 * cells, this.rows + 2 * cells);
    for (let r = 0; r < this.rows; r++) {
      for (let c = 0; c < this.columns; c++) {
        if (!this.has(r, c)) continue;
        for (let i = 0; i <= 2 * cells; i++) wider.mark(r + i, c, c + 2 * cells + 1);
      }
    }
    for (let r = 0; r < this.rows; r++) {
      for (let c = 0; c < this.columns; c++) {
        if (!this.has(r, c)) continue;
        const at = (r + cells) * wider.wordsPerRow + ((c + cells) >> 5);
        wider.words[at] &= ~(1 << ((c + cells) & 31));
      }
    }
    return wider;
  }

  /** How many cells are marked. */
  count(): number {
    return this.words.reduce((sum, word) => sum + bits(word), 0);
  }

  /** Its cells as runs: row, first column and last column of each, long ones first since they meet something sooner. */
  #runs(): Int32Array {
    if (this.#kept) return this.#kept;
    const runs: [number, number, number][] = [];
    for (let row = 0; row < this.rows; row++) {
      for (let column = 0; column < this.columns; column++) {
        if (!this.has(row, column)) continue;
        const from = column;
        while (column + 1 < this.columns && this.has(row, column + 1)) column++;
        runs.push([row, from, column]);
      }
    }
    runs.sort((a, b) => b[2] - b[1] - (a[2] - a[1]));
    return (this.#kept = Int32Array.from(runs.flat()));
  }

  /** The last marked column of a row between two, both included; −1 if there is none. */
  #lastWithin(row: number, from: number, to: number): number {
    const start = row * this.wordsPerRow;
    for (let w = to >> 5; w >= from >> 5; w--) {
      let word = this.words[start + w];
      if (w === to >> 5) word &= 0xffffffff >>> (31 - (to & 31));
      if (w === from >> 5) word &= 0xffffffff << (from & 31);
      if (word !== 0) return 32 * w + 31 - Math.clz32(word);
    }
    return -1;
  }

  /** Takes the cells of another raster, placed as in {@link meets}, into this one. */
  add(other: Raster, row: number, column: number): void {
    for (let r = 0; r < other.rows; r++) {
      for (let c = 0; c < other.columns; c++)
        if (other.has(r, c)) this.mark(row + r, column + c, column + c + 1);
    }
  }
}

/** A region in cells, with where its lowest left cell begins. */
export interface Rasterised {
  readonly raster: Raster;
  readonly leftMm: number;
  readonly frontMm: number;
}

/** The cells that a region, grown by `byMm`, touches: never fewer, so that parts that share no cell are far enough apart. */
export function rasterised(region: Region, byMm: number): Rasterised {
  const { x, y } = extentOf(region);
  // A cell's middle is at most half its diagonal away from what touches it.
  const reach = byMm + CELL_MM * Math.SQRT1_2;
  const leftMm = x.low - reach;
  const frontMm = y.low - reach;
  const raster = new Raster(
    Math.ceil((x.high + reach - leftMm) / CELL_MM),
    Math.ceil((y.high + reach - frontMm) / CELL_MM),
  );
  for (let row = 0; row < raster.rows; row++) {
    const middle = frontMm + (row + 0.5) * CELL_MM;
    for (const [low, high] of [...spansNear(region, middle, reach), ...spansWithin(region, middle)]) {
      const from = Math.max(0, Math.ceil((low - leftMm) / CELL_MM - 0.5));
      const to = Math.min(raster.columns, Math.floor((high - leftMm) / CELL_MM - 0.5) + 1);
      raster.mark(row, from, to);
    }
  }
  return { raster, leftMm, frontMm };
}

/** Along a line at a height, from where to where it runs inside outlines. */
function spansWithin(region: Region, y: number): [number, number][] {
  return region.flatMap((outline) => {
    const crossings: number[] = [];
    outline.forEach(([ax, ay], i) => {
      const [bx, by] = outline[(i + 1) % outline.length];
      if (ay > y !== by > y) crossings.push(ax + ((y - ay) / (by - ay)) * (bx - ax));
    });
    crossings.sort((a, b) => a - b);
    return pairs(crossings);
  });
}

/** Along a line at a height, from where to where it runs within `reach` of an edge. */
function spansNear(region: Region, y: number, reach: number): [number, number][] {
  const spans: [number, number][] = [];
  for (const outline of region) {
    outline.forEach(([ax, ay], i) => {
      const [bx, by] = outline[(i + 1) % outline.length];
      if (Math.min(ay, by) - reach > y || Math.max(ay, by) + reach < y) return;
      // The edge with a half disc at either end: what the line crosses of it lies between these.
      let [low, high] = [Infinity, -Infinity];
      for (const [x, atY] of [
        [ax, ay],
        [bx, by],
      ]) {
        const half = reach ** 2 - (atY - y) ** 2;
        if (half < 0) continue;
        low = Math.min(low, x - Math.sqrt(half));
        high = Math.max(high, x + Math.sqrt(half));
      }
      const length = Math.hypot(bx - ax, by - ay);
      if (length > 0 && ay !== by) {
        const [nx, ny] = [(-(by - ay) / length) * reach, ((bx - ax) / length) * reach];
        for (const side of [1, -1]) {
          const [fromX, fromY, toY] = [ax + side * nx, ay + side * ny, by + side * ny];
          const t = (y - fromY) / (toY - fromY);
          if (t < 0 || t > 1) continue;
          const x = fromX + t * (bx - ax);
          low = Math.min(low, x);
          high = Math.max(high, x);
        }
      }
      if (low <= high) spans.push([low, high]);
    });
  }
  return spans;
}

function pairs(values: readonly number[]): [number, number][] {
  return Array.from({ length: values.length >> 1 }, (_, i) => [values[2 * i], values[2 * i + 1]]);
}

/** How many bits of a word are set (Hacker's Delight, 5-1). */
function bits(word: number): number {
  let v = word - ((word >>> 1) & 0x55555555);
  v = (v & 0x33333333) + ((v >>> 2) & 0x33333333);
  return (((v + (v >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
}
