import { extentOf, regionAreaOf, turned, type Region } from '../plane/index.ts';
import { CELL_MM, Raster, rasterised, type Rasterised } from './raster.ts';
import type { Plate, Placeable, Placed } from './placement.ts';

/** Parts with places, and those for which the plate has no room. */
export interface Layout {
  readonly placed: readonly Placed[];
  readonly left: readonly string[];
}

/** How far around a part it is looked for what it lies against, and how wide the rim of the plate is, in cells. */
const RIM = 4;
/** What it is worth for a part to lie against others all around, against lying a whole plate further back. */
const CONTACT = 0.3;
/** The turns that are tried for each part. */
const TURN_STEP_DEG = 15;

/** A footprint turned, in cells. */
interface Shape extends Rasterised {
  readonly turnDeg: number;
  /** The cells around it. */
  readonly ring: Raster;
  readonly ringCells: number;
  /** There is no room for it in the rows before: the plate only gets fuller. */
  nextRow: number;
}

/**
 * Lays parts on a plate by what they truly cover, at least `gapMm` apart: the largest first, each turned and moved to where
 * it reaches back little and lies against what is there already. Parts are never tipped over, since they print flat as they were approved. The group is laid
 * in the middle of the plate, which is the flattest and warmest there.
 *
 * `fixed` parts keep their places. Parts that find no room are left.
 */
export function layOut(
  parts: readonly Placeable[],
  plate: Plate,
  gapMm: number,
  fixed: readonly Placed[] = [],
): Layout {
  const columns = 2 * RIM + Math.floor((plate.widthMm - 2 * plate.edgeMm + gapMm) / CELL_MM);
  const rows = 2 * RIM + Math.floor((plate.depthMm - 2 * plate.edgeMm + gapMm) / CELL_MM);
  const taken = new Raster(columns, rows);
  // Half the gap lies around each part, so it may reach over the usable edge by that; a rim is taken all around.
  const originMm = plate.edgeMm - gapMm / 2 - RIM * CELL_MM;
  for (let row = 0; row < rows; row++) {
    const isRim = row < RIM || row >= rows - RIM;
    taken.mark(row, 0, isRim ? columns : RIM);
    taken.mark(row, columns - RIM, columns);
  }
  for (const part of fixed) {
    const { raster, leftMm, frontMm } = rasterised(turned(part.footprint, part.turnDeg), gapMm / 2);
    const row = Math.round((part.yMm + frontMm - originMm) / CELL_MM);
    const column = Math.round((part.xMm + leftMm - originMm) / CELL_MM);
    taken.add(clipped(raster, taken, row, column), Math.max(0, row), Math.max(0, column));
  }

  const shapes = new Map<string, Shape[]>();
  const placed: Placed[] = [];
  const left: string[] = [];
  for (const part of [...parts].sort((a, b) => regionAreaOf(b.footprint) - regionAreaOf(a.footprint))) {
    const key = JSON.stringify(part.footprint);
    const turns = shapes.get(key) ?? turnsOf(part.footprint, gapMm / 2);
    shapes.set(key, turns);
    const best = bestPlace(taken, turns);
    if (!best) {
      left.push(part.id);
      continue;
    }
    const { shape, row, column } = best;
    taken.add(shape.raster, row, column);
    const xMm = originMm + column * CELL_MM - shape.leftMm;
    const yMm = originMm + row * CELL_MM - shape.frontMm;
    placed.push({ ...part, xMm, yMm, turnDeg: shape.turnDeg });
  }
  return { placed: fixed.length > 0 ? placed : inTheMiddle(placed, plate), left };
}

function turnsOf(footprint: Region, byMm: number): Shape[] {
  const seen = new Set<string>();
  const shapes: Shape[] = [];
  for (let turnDeg = 0; turnDeg < 360; turnDeg += TURN_STEP_DEG) {
    const shape = rasterised(turned(footprint, turnDeg), byMm);
    // What looks the same in another turn is tried once.
    const look = `${shape.raster.columns} ${shape.raster.words.join()}`;
    if (seen.has(look)) continue;
    seen.add(look);
    const ring = shape.raster.around(RIM);
    shapes.push({ ...shape, turnDeg, ring, ringCells: ring.count(), nextRow: RIM });
  }
  return shapes;
}

/** The turn and place that is worth most. Of each row only the first place with room is looked at. */
function bestPlace(taken: Raster, shapes: readonly Shape[]) {
  let best: { shape: Shape; row: number; column: number } | undefined;
  let most = -Infinity;
  for (const shape of shapes) {
    const { raster, ring, ringCells } = shape;
    const lastColumn = taken.columns - raster.columns - RIM;
    let hasRoom = false;
    for (let row = shape.nextRow; row <= taken.rows - raster.rows - RIM; row++) {
      const back = (row + raster.rows) / taken.rows;
      if (CONTACT - back <= most) break;
      const column = firstWithRoom(taken, raster, row, lastColumn);
      if (column === undefined) continue;
      if (!hasRoom) shape.nextRow = row;
      hasRoom = true;
      const contact = taken.shared(ring, row - RIM, column - RIM) / ringCells;
      const worth = CONTACT * contact - back;
      if (worth > most) [best, most] = [{ shape, row, column }, worth];
    }
  }
  return best;
}

function firstWithRoom(taken: Raster, raster: Raster, row: number, lastColumn: number): number | undefined {
  let column = RIM;
  while (column <= lastColumn) {
    const further = taken.advance(raster, row, column);
    if (further === 0) return column;
    column += further;
  }
  return undefined;
}

/** The part of a raster that lies on the plate. */
function clipped(raster: Raster, plate: Raster, row: number, column: number): Raster {
  const from = { row: Math.max(0, -row), column: Math.max(0, -column) };
  const result = new Raster(
    Math.max(0, Math.min(raster.columns, plate.columns - column) - from.column),
    Math.max(0, Math.min(raster.rows, plate.rows - row) - from.row),
  );
  for (let r = 0; r < result.rows; r++) {
    for (let c = 0; c < result.columns; c++) {
      if (raster.has(from.row + r, from.column + c)) result.mark(r, c, c + 1);
    }
  }
  return result;
}

function inTheMiddle(placed: readonly Placed[], plate: Plate): Placed[] {
  const boxes = placed.map(({ footprint, turnDeg, xMm, yMm }) => {
    const { x, y } = extentOf(turned(footprint, turnDeg));
    return { left: xMm + x.low, right: xMm + x.high, front: yMm + y.low, back: yMm + y.high };
  });
  const dx =
    plate.widthMm / 2 - (Math.min(...boxes.map((b) => b.left)) + Math.max(...boxes.map((b) => b.right))) / 2;
  const dy =
    plate.depthMm / 2 - (Math.min(...boxes.map((b) => b.front)) + Math.max(...boxes.map((b) => b.back))) / 2;
  return placed.map((part) => ({ ...part, xMm: part.xMm + dx, yMm: part.yMm + dy }));
}
