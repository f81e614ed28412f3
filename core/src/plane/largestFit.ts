import { extentOf, moved, type Point, type Region } from './region.ts';
import { Enclosure } from './enclosure.ts';

/** The largest size at which a shape fits into a room, and where the middle of its box lies then. */
export interface Fit {
  readonly size: number;
  readonly middle: Point;
}

/** Cells along the longer side of the room where places are looked for. */
const CELLS = 160;
/** How often the span between a size that fits and one that does not is halved. */
const HALVINGS = 10;
/** A size is the largest when none larger by this share fits near it. */
const SHARE = 2e-4;

/**
 * Finds how large a shape can be in a room, by its true outline. It is looked for on a grid first, wherever in the room it
 * may lie; what was found there is moved and grown by what truly fits, and lies in the middle of what is left free then.
 * The larger of two places that are alike to less than a cell (1/160 of the room) is not always found.
 *
 * @param shapeAt the shape at a size; larger sizes give larger shapes. Areas are where the winding is not zero
 * @param room what the shape has to lie in, mm; a region without overlaps
 * @param sizes the smallest size that is of use, and the largest that is allowed
 * @returns undefined where not even the smallest size fits
 */
export function largestFit(
  shapeAt: (size: number) => Region,
  room: Region,
  sizes: { readonly least: number; readonly most: number },
): Fit | undefined {
  if (room.length === 0) return undefined;
  const centredAt = (size: number): Region => {
    const shape = shapeAt(size);
    const { x, y } = extentOf(shape);
    return moved(shape, -(x.low + x.high) / 2, -(y.low + y.high) / 2);
  };
  const coarse = coarseFit(centredAt, room, sizes);
  return coarse && refined(centredAt, room, coarse, sizes);
}

/** Which cells of a grid over the room lie in it: for each, how many from it to the right. */
interface Cells {
  readonly cellMm: number;
  readonly columns: number;
  readonly rows: number;
  readonly low: Point;
  readonly freeToRight: Uint16Array;
}

function cellsOf(room: Region): Cells {
  const { x, y } = extentOf(room);
  const cellMm = Math.max(x.high - x.low, y.high - y.low) / CELLS;
  const [columns, rows] = [x, y].map(({ low, high }) => Math.max(1, Math.ceil((high - low) / cellMm)));
  const freeToRight = new Uint16Array(columns * rows);
  for (let row = 0; row < rows; row++) {
    for (const [from, to] of spansAt(room, y.low + (row + 0.5) * cellMm)) {
      const first = Math.max(0, Math.ceil((from - x.low) / cellMm - 0.5));
      const last = Math.min(columns - 1, Math.floor((to - x.low) / cellMm - 0.5));
      for (let column = first; column <= last; column++)
        freeToRight[row * columns + column] = last - column + 1;
    }
  }
  return { cellMm, columns, rows, low: [x.low, y.low], freeToRight };
}

/** Where a level line lies in a region, from left to right. */
function spansAt(region: Region, y: number): [from: number, to: number][] {
  const crossings: { x: number; turn: number }[] = [];
  for (const outline of region) {
    let [px, py] = outline[outline.length - 1];
    for (const [qx, qy] of outline) {
      if (py > y !== qy > y)
        crossings.push({ x: px + ((qx - px) * (y - py)) / (qy - py), turn: qy > py ? 1 : -1 });
      [px, py] = [qx, qy];
    }
  }
  crossings.sort((a, b) => a.x - b.x);
  const spans: [number, number][] = [];
  let winding = 0;
  let from = 0;
  for (const { x, turn } of crossings) {
    if (winding === 0) from = x;
    winding += turn;
    if (winding === 0) spans.push([from, x]);
  }
  return spans;
}

/** A stretch of cells of a shape, from its middle. */
interface Stretch {
  readonly row: number;
  readonly column: number;
  readonly cells: number;
}

function stretchesOf(shape: Region, cellMm: number): Stretch[] {
  const { y } = extentOf(shape);
  const stretches: Stretch[] = [];
  for (let row = Math.ceil(y.low / cellMm); row * cellMm <= y.high; row++) {
    for (const [from, to] of spansAt(shape, row * cellMm)) {
      const column = Math.round(from / cellMm);
      stretches.push({ row, column, cells: Math.max(1, Math.round(to / cellMm) - column) });
    }
  }
  // What lies far out decides first.
  return stretches.sort(
    (a, b) => Math.abs(b.row) + Math.abs(b.column) - Math.abs(a.row) - Math.abs(a.column),
  );
}

/** The cells where the middle of a shape can lie, each as row × columns + column. */
function placesFor(shape: Region, { cellMm, columns, rows, freeToRight }: Cells): number[] {
  const stretches = stretchesOf(shape, cellMm);
  const offsets = Int32Array.from(stretches, ({ row, column }) => row * columns + column);
  const needed = Int32Array.from(stretches, ({ cells }) => cells);
  // Where the shape stays within the rows and columns that there are, so that none of them is asked for in vain.
  const most = (of: (each: Stretch) => number) => stretches.reduce((all, each) => Math.max(all, of(each)), 0);
  const [above, below] = [most(({ row }) => -row), most(({ row }) => row)];
  const [before, after] = [most(({ column }) => -column), most(({ column, cells }) => column + cells - 1)];
  const places: number[] = [];
  for (let row = above; row < rows - below; row++) {
    for (let column = before; column < columns - after; column++) {
      const place = row * columns + column;
      let i = 0;
      while (i < offsets.length && freeToRight[place + offsets[i]] >= needed[i]) i++;
      if (i === offsets.length) places.push(place);
    }
  }
  return places;
}

type ShapeAt = (size: number) => Region;
type Sizes = { readonly least: number; readonly most: number };

function coarseFit(
  centredAt: ShapeAt,
  room: Region,
  { least, most }: Sizes,
): (Fit & { cellMm: number }) | undefined {
  const cells = cellsOf(room);
  const { cellMm, columns, low } = cells;
  const sides = ({ x, y }: ReturnType<typeof extentOf>) => [x.high - x.low, y.high - y.low] as const;
  const [wide, deep] = sides(extentOf(room));
  const fitsBox = (shape: Region) => {
    const [w, d] = sides(extentOf(shape));
    return w <= wide && d <= deep;
  };
  let places = placesFor(centredAt(least), cells);
  if (places.length === 0) return undefined;
  let [small, large] = [least, most];
  for (let i = 0; i < HALVINGS; i++) {
    const size = Math.sqrt(small * large);
    const shape = centredAt(size);
    const found = fitsBox(shape) ? placesFor(shape, cells) : [];
    if (found.length > 0) [small, places] = [size, found];
    else large = size;
  }
  // The place in the middle of all.
  const at = (place: number): Point => [
    low[0] + ((place % columns) + 0.5) * cellMm,
    low[1] + (Math.floor(place / columns) + 0.5) * cellMm,
  ];
  const middle = [0, 1].map(
    (axis) => places.reduce((sum, place) => sum + at(place)[axis], 0) / places.length,
  );
  const away = (place: number) => Math.hypot(at(place)[0] - middle[0], at(place)[1] - middle[1]);
  const nearest = places.reduce((best, place) => (away(place) < away(best) ? place : best));
  return { size: small, middle: at(nearest), cellMm };
}

const AROUND: readonly Point[] = [[0, 0], [1, 0], [-1, 0], [0, 1], [0, -1], [1, 1], [-1, 1], [1, -1], [-1, -1]]; // oxfmt-ignore

/** Shrinks what was found on the grid until it truly fits, grows and moves it as far as that goes, and puts it in the middle. */
function refined(
  centredAt: ShapeAt,
  room: Region,
  { size: about, middle: near, cellMm }: Fit & { cellMm: number },
  { least, most }: Sizes,
): Fit | undefined {
  const enclosure = new Enclosure(room);
  /** The place around another where a size fits. */
  const placeFor = (size: number, [x, y]: Point, stepMm: number): Point | undefined => {
    const shape = centredAt(size);
    return AROUND.map(([dx, dy]): Point => [x + dx * stepMm, y + dy * stepMm]).find((at) =>
      enclosure.holds(shape, at),
    );
  };
  let size = Math.min(most, about * 1.02);
  let first = placeFor(size, near, cellMm / 2);
  while (!first) {
    size *= 0.98;
    if (size < Math.max(least, about / 2)) return undefined;
    first = placeFor(size, near, cellMm / 2);
  }
  let middle: Point = first;
  for (let share = 0.02, stepMm = cellMm; share > SHARE;) {
    const larger = Math.min(most, size * (1 + share));
    const found: Point | undefined = larger > size ? placeFor(larger, middle, stepMm) : undefined;
    if (found) [size, middle] = [larger, found];
    else [share, stepMm] = [share / 2, stepMm / 2];
  }
  const shape = centredAt(size * (1 - SHARE / 2));
  for (const axis of [0, 1, 0] as const) middle = centredAlong(enclosure, shape, middle, axis, cellMm);
  return { size: size * (1 - SHARE / 2), middle };
}

/** The middle between how far a shape can go one way and the other. */
function centredAlong(enclosure: Enclosure, shape: Region, from: Point, axis: 0 | 1, cellMm: number): Point {
  const at = (mm: number): Point => (axis === 0 ? [from[0] + mm, from[1]] : [from[0], from[1] + mm]);
  const farthest = (way: 1 | -1): number => {
    let [free, step] = [0, cellMm];
    // In growing steps to what stops it, and then back by halves.
    while (step < 1000 * cellMm && enclosure.holds(shape, at(way * (free + step)))) {
      free += step;
      step *= 2;
    }
    for (; step > 2e-3; step /= 2) if (enclosure.holds(shape, at(way * (free + step)))) free += step;
    return way * free;
  };
  return at((farthest(1) + farthest(-1)) / 2);
}
