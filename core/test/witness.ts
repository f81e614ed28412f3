/*
 * A second reading of what hangs, from G-code alone: the lines of each layer are drawn on fine squares, and every line is
 * followed over what was drawn for the layer below. It knows nothing of solids, checks or roles.
 */

/** What the plastic of a file lies on. */
export interface Witnessed {
  /** Pieces of a layer that touch nothing of the layer below: how high, and how large. */
  readonly islands: readonly { readonly zMm: number; readonly mm2: number }[];
  /** The longest straight line that is drawn through the air from one support to another, mm. */
  readonly longestSpanMm: number;
  /** The longest line in the air that ends or turns there, mm. */
  readonly longestLooseMm: number;
  /** Where that line is. */
  readonly looseAt?: readonly [x: number, y: number, z: number];
  /** The length of all lines whose middle has nothing under it, mm. */
  readonly unsupportedMm: number;
}

interface Stroke {
  readonly points: [number, number][];
  readonly widthsMm: number[];
}

interface DrawnLayer {
  readonly zMm: number;
  readonly strokes: Stroke[];
}

const CELL_MM = 0.1;
const SAMPLE_MM = 0.1;
/** A line is clear of what is below where nothing of that is nearer to its middle, mm. */
const CLEAR_MM = 0.45;
/** A line that turns by more than this in the air spans nothing, unless it is as short as this, mm. */
const SHORT_MM = 5;
const STRAIGHT = Math.cos((30 * Math.PI) / 180);
/** Shorter lines in the air, and smaller pieces, are what rounding and squares make, mm and mm². */
const SHORTEST_MM = 0.6;
const SMALLEST_MM2 = 0.3;
const FILAMENT_MM2 = Math.PI * (1.75 / 2) ** 2;

export function witness(gcode: string): Witnessed {
  const layers = layersOf(gcode);
  const sheet = new Sheet(layers);
  const islands: { zMm: number; mm2: number }[] = [];
  let [longestSpanMm, longestLooseMm, unsupportedMm] = [0, 0, 0];
  let looseAt: readonly [number, number, number] | undefined;
  let below: Uint8Array | undefined;
  for (const [index, { zMm, strokes }] of layers.entries()) {
    const own = sheet.drawn(strokes);
    // What droops from the second layer lands on the plate, a layer's height below.
    if (below && index > 1) {
      for (const mm2 of sheet.piecesBeside(own, below)) if (mm2 > SMALLEST_MM2) islands.push({ zMm, mm2 });
      for (const stroke of strokes) {
        for (const run of runsInAir(stroke, sheet, below)) {
          unsupportedMm += run.mm;
          if (!run.isClear || run.mm < SHORTEST_MM) continue;
          if (run.isHeld) longestSpanMm = Math.max(longestSpanMm, run.mm);
          else if (run.mm > longestLooseMm) [longestLooseMm, looseAt] = [run.mm, [...run.at, zMm]];
        }
      }
    }
    below = own;
  }
  return { islands, longestSpanMm, longestLooseMm, looseAt, unsupportedMm };
}

/** The lines of plastic of each height, in the order in which they are drawn. */
function layersOf(gcode: string): DrawnLayer[] {
  const layers: DrawnLayer[] = [];
  let [x, y, z, before] = [0, 0, 0, 0];
  let stroke: Stroke | undefined;
  for (const line of gcode.split('\n')) {
    const words = new Map([...line.replace(/;.*/, '').matchAll(/([A-Z])(-?[\d.]+)/g)].map(([, letter, number]) => [letter, Number(number)])); // prettier-ignore
    if (words.get('G') !== 0 && words.get('G') !== 1) continue;
    if (words.has('Z')) z = words.get('Z')!;
    const [nextX, nextY] = [words.get('X') ?? x, words.get('Y') ?? y];
    const mm = Math.hypot(nextX - x, nextY - y);
    const laid = words.get('E') ?? 0;
    if (laid > 0 && mm > 0) {
      if (layers.at(-1)?.zMm !== z) {
        before = layers.at(-1)?.zMm ?? 0;
        layers.push({ zMm: z, strokes: [] });
        stroke = undefined;
      }
      if (!stroke) layers.at(-1)!.strokes.push((stroke = { points: [[x, y]], widthsMm: [] }));
      stroke.points.push([nextX, nextY]);
      stroke.widthsMm.push((laid * FILAMENT_MM2) / (mm * (z - before)));
    } else if (mm > 0) stroke = undefined;
    [x, y] = [nextX, nextY];
  }
  return layers;
}

/** Squares that cover all that is drawn. */
class Sheet {
  readonly #lowX: number;
  readonly #lowY: number;
  readonly #columns: number;
  readonly #rows: number;

  constructor(layers: readonly DrawnLayer[]) {
    let [lowX, lowY, highX, highY] = [Infinity, Infinity, -Infinity, -Infinity];
    for (const { strokes } of layers) {
      for (const { points } of strokes) {
        for (const [x, y] of points) {
          [lowX, lowY, highX, highY] = [
            Math.min(lowX, x),
            Math.min(lowY, y),
            Math.max(highX, x),
            Math.max(highY, y),
          ];
        }
      }
    }
    this.#lowX = lowX - 1;
    this.#lowY = lowY - 1;
    this.#columns = Math.ceil((highX - lowX + 2) / CELL_MM);
    this.#rows = Math.ceil((highY - lowY + 2) / CELL_MM);
  }

  drawn(strokes: readonly Stroke[]): Uint8Array {
    const squares = new Uint8Array(this.#columns * this.#rows);
    for (const stroke of strokes) {
      for (const { at, widthMm } of samplesOf(stroke)) this.#eachWithin(at, widthMm / 2, (square) => void (squares[square] = 1)); // prettier-ignore
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

interface Sample {
  readonly at: readonly [number, number];
  readonly way: readonly [number, number];
  readonly widthMm: number;
}

function samplesOf({ points, widthsMm }: Stroke): Sample[] {
  return widthsMm.flatMap((widthMm, i): Sample[] => {
    const [[ax, ay], [bx, by]] = [points[i], points[i + 1]];
    const mm = Math.hypot(bx - ax, by - ay);
    const steps = Math.max(1, Math.ceil(mm / SAMPLE_MM));
    const way = [(bx - ax) / mm, (by - ay) / mm] as const;
    return Array.from({ length: steps + (i === 0 ? 1 : 0) }, (_, k) => {
      const share = (k + (i === 0 ? 0 : 1)) / steps;
      return { at: [ax + share * (bx - ax), ay + share * (by - ay)] as const, way, widthMm };
    });
  });
}

/** The parts of a line whose middle has nothing under it. */
function runsInAir(stroke: Stroke, sheet: Sheet, below: Uint8Array) {
  const samples = samplesOf(stroke);
  const runs: { mm: number; at: Sample['at']; isClear: boolean; isHeld: boolean }[] = [];
  let open: Sample[] = [];
  const close = (isHeldAfter: boolean, first: number) => {
    if (open.length === 0) return;
    const clear = open.filter(({ at }) => !sheet.hasWithin(below, at, CLEAR_MM));
    const [{ way }] = open;
    const isStraight = open.every((each) => each.way[0] * way[0] + each.way[1] * way[1] > STRAIGHT);
    runs.push({
      mm: open.length * SAMPLE_MM,
      at: open[0].at,
      isClear: clear.length > 0,
      isHeld: (isStraight || open.length * SAMPLE_MM < SHORT_MM) && isHeldAfter && first > 0,
    });
    open = [];
  };
  let first = 0;
  samples.forEach((sample, i) => {
    if (sheet.has(below, sample.at)) return close(true, first);
    if (open.length === 0) first = i;
    open.push(sample);
  });
  close(false, first);
  return runs;
}
