import type { DrawnLayer, Stroke } from './drawing.ts';
import { samplesOf } from './samples.ts';

/** The side of a square, mm. */
export const CELL_MM = 0.1;

/** Squares that cover all that is drawn. */
export class Sheet {
  readonly #lowX: number;
  readonly #lowY: number;
  readonly #columns: number;
  readonly #rows: number;

  /** @param corners points that it reaches to beyond what is drawn */
  constructor(layers: readonly DrawnLayer[], corners: readonly (readonly [number, number])[] = []) {
    let [lowX, lowY, highX, highY] = [Infinity, Infinity, -Infinity, -Infinity];
    const reachTo = ([x, y]: readonly [number, number]) => {
      [lowX, lowY] = [Math.min(lowX, x), Math.min(lowY, y)];
      [highX, highY] = [Math.max(highX, x), Math.max(highY, y)];
    };
    for (const { strokes } of layers) for (const { points } of strokes) points.forEach(reachTo);
    corners.forEach(reachTo);
    this.#lowX = lowX - 1;
    this.#lowY = lowY - 1;
    this.#columns = Math.ceil((highX - lowX + 2) / CELL_MM);
    this.#rows = Math.ceil((highY - lowY + 2) / CELL_MM);
  }

  drawn(strokes: readonly Stroke[]): Uint8Array {
    const squares = new Uint8Array(this.#columns * this.#rows);
    for (const stroke of strokes) {
      for (const { at, widthMm } of samplesOf(stroke)) this.#eachWithin(at, widthMm / 2, (square) => void (squares[square] = 1)); // oxfmt-ignore
    }
    return squares;
  }

  has(squares: Uint8Array, [x, y]: readonly [number, number]): boolean {
    return squares[this.#row(y) * this.#columns + this.#column(x)] === 1;
  }

  /** Whether something is drawn within a distance of a place. */
  hasWithin(squares: Uint8Array, at: readonly [number, number], mm: number): boolean {
    let found = false;
    this.#eachWithin(at, mm, (square) => void (found ||= squares[square] === 1));
    return found;
  }

  /** The squares whose middles lie within outlines, by how often a line to the left of them is crossed. */
  filled(outlines: readonly (readonly (readonly [number, number])[])[]): Uint8Array {
    const squares = new Uint8Array(this.#columns * this.#rows);
    for (let row = 0; row < this.#rows; row++) {
      const y = this.#lowY + (row + 0.5) * CELL_MM;
      const crossed: number[] = [];
      for (const outline of outlines) {
        outline.forEach(([ax, ay], i) => {
          const [bx, by] = outline[(i + 1) % outline.length];
          if (ay > y !== by > y) crossed.push(ax + ((bx - ax) * (y - ay)) / (by - ay));
        });
      }
      crossed.sort((a, b) => a - b);
      for (let i = 0; i + 1 < crossed.length; i += 2) {
        const [from, to] = [crossed[i], crossed[i + 1]].map((x) => Math.round((x - this.#lowX) / CELL_MM));
        squares.fill(
          1,
          row * this.#columns + Math.max(0, from),
          row * this.#columns + Math.min(this.#columns, to),
        );
      }
    }
    return squares;
  }

  /** The sizes of the pieces of some squares that nothing of others is near to, mm². */
  uncovered(squares: Uint8Array, others: Uint8Array, nearMm: number): number[] {
    const left = squares.map((square, i) => {
      if (square === 0 || others[i] === 1) return 0;
      const [row, column] = [Math.floor(i / this.#columns), i % this.#columns];
      const at = [this.#lowX + (column + 0.5) * CELL_MM, this.#lowY + (row + 0.5) * CELL_MM] as const;
      return this.hasWithin(others, at, nearMm) ? 0 : 1;
    });
    return this.piecesBeside(left, new Uint8Array(left.length));
  }

  /** The sizes of the pieces of some squares that lie over none of others, mm². */
  piecesBeside(squares: Uint8Array, others: Uint8Array): number[] {
    const seen = new Uint8Array(squares.length);
    const sizes: number[] = [];
    for (let seed = 0; seed < squares.length; seed++) {
      if (squares[seed] === 0 || seen[seed] === 1) continue;
      seen[seed] = 1;
      const piece = [seed];
      let isHeld = false;
      for (let i = 0; i < piece.length; i++) {
        const square = piece[i];
        if (others[square] === 1) isHeld = true;
        for (const next of [square - 1, square + 1, square - this.#columns, square + this.#columns]) {
          if (squares[next] !== 1 || seen[next] === 1) continue;
          seen[next] = 1;
          piece.push(next);
        }
      }
      if (!isHeld) sizes.push(piece.length * CELL_MM ** 2);
    }
    return sizes;
  }

  #column(x: number): number {
    return Math.floor((x - this.#lowX) / CELL_MM);
  }

  #row(y: number): number {
    return Math.floor((y - this.#lowY) / CELL_MM);
  }

  #eachWithin([x, y]: readonly [number, number], mm: number, call: (square: number) => void): void {
    for (let row = this.#row(y - mm); row <= this.#row(y + mm); row++) {
      for (let column = this.#column(x - mm); column <= this.#column(x + mm); column++) {
        const dx = this.#lowX + (column + 0.5) * CELL_MM - x;
        const dy = this.#lowY + (row + 0.5) * CELL_MM - y;
        if (dx * dx + dy * dy <= mm * mm) call(row * this.#columns + column);
      }
    }
  }
}
