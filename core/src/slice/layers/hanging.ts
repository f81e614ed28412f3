import { extentOf } from '../../plane/index.ts';
import { lengthAlong } from '../paths/lengths.ts';
import type { Layer, Path } from '../paths/toolpath.ts';

type Place = readonly [number, number];

/** A stretch of a line that has no plastic under its middle. */
export type Hanging = readonly [from: Place, to: Place];

/** How finely lines are looked at, mm. */
const STEP_MM = 0.25;
const CELL_MM = 0.1;
/** Plastic of the layer below holds a line whose middle lies this far beside it. */
const REACH_MM = 0.05;
/** The lines of supports are further apart than those of a part, and what crosses them is held between them. */
const REACH_OVER_SUPPORT_MM = 0.35;
/** A stretch shorter than this is held by what comes before and after it. */
const SHORTEST_MM = 0.8;

/**
 * The stretches of a layer's walls whose middle hangs in the air: they droop where nothing holds them at both ends.
 * Fill may cross the gaps between sparse lines below, and bridges are meant to, so only walls are looked at.
 *
 * @param lower the layers below that one, from above, of which supports hold across the gap that is left over them
 */
export function hangingOf({ paths }: Layer, under: Layer, lower: readonly Layer[] = []): Hanging[] {
  const walls = paths.filter(({ role }) => role === 'wall' || role === 'thin');
  const isSupport = ({ role }: Path) => role === 'support';
  const holds = [...under.paths, ...lower.flatMap((layer) => layer.paths.filter(isSupport))].map((path) => {
    const reachMm = isSupport(path) ? REACH_OVER_SUPPORT_MM : REACH_MM;
    return { path, reach: Math.ceil((path.widthMm / 2 + reachMm) / CELL_MM) };
  });
  const held = new Held(
    walls,
    holds.reduce((most, { reach }) => Math.max(most, reach), 0),
  );
  for (const { path, reach } of holds) eachStep(path, CELL_MM, (x, y) => held.note(x, y, reach));
  return walls.flatMap((path) => stretches(path, held));
}

/** What holds the places of some lines: cells in which plastic lies, each with how many cells it reaches from there. */
class Held {
  readonly #left: number;
  readonly #front: number;
  readonly #columns: number;
  readonly #rows: number;
  readonly #reaches: Uint8Array;
  /** The cells from which a place may be reached, the nearest first: where they are from there, and how far, squared. */
  readonly #around: Int32Array;
  readonly #awayCells2: Int32Array;

  /** @param most how many cells plastic reaches at most */
  constructor(lines: readonly Path[], most: number) {
    const { x, y } = extentOf(lines.map(({ points }) => points));
    [this.#left, this.#front] = [cellOf(x.low) - most, cellOf(y.low) - most];
    this.#columns = cellOf(x.high) - this.#left + 1 + most;
    this.#rows = cellOf(y.high) - this.#front + 1 + most;
    this.#reaches = new Uint8Array(this.#columns * this.#rows);
    const side = Array.from({ length: 2 * most + 1 }, (_, i) => i - most);
    const around = side
      .flatMap((dx) => side.map((dy) => ({ at: dy * this.#columns + dx, away2: dx * dx + dy * dy })))
      .filter(({ away2 }) => away2 <= most * most)
      .sort((a, b) => a.away2 - b.away2);
    this.#around = Int32Array.from(around, ({ at }) => at);
    this.#awayCells2 = Int32Array.from(around, ({ away2 }) => away2);
  }

  /** Notes that plastic lies at a place, and how many cells it reaches from there. */
  note(x: number, y: number, reach: number): void {
    const column = cellOf(x) - this.#left;
    const row = cellOf(y) - this.#front;
    if (column < 0 || row < 0 || column >= this.#columns || row >= this.#rows) return;
    const at = row * this.#columns + column;
    if (this.#reaches[at] < reach) this.#reaches[at] = reach;
  }

  /** Whether something reaches one of the places. Most lie on something, so the nearest cells are looked at first. */
  isHeld(x: number, y: number): boolean {
    const at = (cellOf(y) - this.#front) * this.#columns + cellOf(x) - this.#left;
    for (let i = 0; i < this.#around.length; i++) {
      const reach = this.#reaches[at + this.#around[i]];
      if (reach > 0 && reach * reach >= this.#awayCells2[i]) return true;
    }
    return false;
  }
}

const cellOf = (mm: number) => Math.round(mm / CELL_MM);

/** Stretches of neighbouring places of a line that are not held, as pairs of places. */
function stretches(path: Path, held: Held): Hanging[] {
  const found: Hanging[] = [];
  let open: Place[] = [];
  const close = () => {
    const pairs = open.slice(1).map((to, i): Hanging => [open[i], to]);
    if (pairs.length > 0 && lengthAlong({ points: open, closed: false }) >= SHORTEST_MM) found.push(...pairs);
    open = [];
  };
  eachStep(path, STEP_MM, (x, y) => {
    if (!held.isHeld(x, y)) open.push([x, y]);
    else if (open.length > 0) close();
  });
  close();
  return found;
}

/** Goes along a path in steps that are no longer. */
function eachStep({ points, closed }: Path, stepMm: number, visit: (x: number, y: number) => void): void {
  const ends = closed ? points.length : points.length - 1;
  visit(points[0][0], points[0][1]);
  for (let i = 1; i <= ends; i++) {
    const [fromX, fromY] = points[i - 1];
    const [x, y] = points[i % points.length];
    const steps = Math.max(1, Math.ceil(Math.sqrt((x - fromX) ** 2 + (y - fromY) ** 2) / stepMm));
    for (let k = 1; k <= steps; k++) {
      const share = k / steps;
      visit(fromX + share * (x - fromX), fromY + share * (y - fromY));
    }
  }
}
