import type { Outline, Point, Region } from './region.ts';

/** How thick a region is at a place on its edge. */
export interface Thickness {
  readonly at: Point;
  /** The place across, where the other side of the wall is. */
  readonly across: Point;
  /** Infinity where there is no wall of less than the asked width: in broad places, and in corners. */
  readonly widthMm: number;
  /** How much of the outline the place stands for, mm. */
  readonly lengthMm: number;
}

/** The narrowest wall of a region. */
export interface ThinWall {
  readonly widthMm: number;
  readonly at: Point;
  readonly across: Point;
}

/**
 * Two sides make a wall if they face each other within this angle. A tip of less than thirty degrees is a wall, a sound
 * corner is none.
 */
const FACING_COSINE = Math.cos((150 * Math.PI) / 180);

/**
 * Walks along every outline and measures what is across: at each place the largest circle that touches the edge there
 * and fits in the region (a point of the medial axis; H. Blum, 1967), and whether it touches the other side opposite.
 *
 * @param upToMm walls of this width and more are not looked for
 */
export function thicknessAlong(region: Region, upToMm: number): Thickness[][] {
  const edges = new EdgeGrid(region, upToMm);
  return region.map((outline) =>
    outline.flatMap((from, i) => {
      const to = outline[(i + 1) % outline.length];
      const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
      if (length === 0) return [];
      // The region lies to the left of its edges.
      const inward: Point = [-(to[1] - from[1]) / length, (to[0] - from[0]) / length];
      const parts = Math.max(1, Math.ceil((4 * length) / upToMm));
      return Array.from({ length: parts }, (_, k): Thickness => {
        const share = (k + 0.5) / parts;
        const at: Point = [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1])];
        return { at, lengthMm: length / parts, ...wallAt(at, inward, edges, upToMm) };
      });
    }),
  );
}

/**
 * The narrowest wall that goes on for at least twice its width; undefined if there is none narrower than `upToMm`.
 * Shorter ones are tips and notches, which print as they can.
 */
export function thinnestWall(region: Region, upToMm: number): ThinWall | undefined {
  const walks = thicknessAlong(region, upToMm);
  let narrowest: ThinWall | undefined;
  for (const walk of walks) {
    for (const { widthMm, at, across } of walk) {
      if (widthMm < (narrowest?.widthMm ?? upToMm) && goesOn(walk, widthMm * 1.02)) {
        narrowest = { widthMm, at, across };
      }
    }
  }
  return narrowest;
}

/**
 * Whether somewhere along an outline walls of a width follow each other for twice that width. What is less than half as
 * wide belongs to a tip that tapers away.
 */
function goesOn(walk: readonly Thickness[], widthMm: number): boolean {
  let run = 0;
  // Twice round, so that a run over the beginning counts as one.
  for (let i = 0; i < 2 * walk.length; i++) {
    const [here, next] = [walk[i % walk.length], walk[(i + 1) % walk.length]];
    const apart = (here.lengthMm + next.lengthMm) / 2;
    // On the other side of a tip the walk goes back, and the wall is the same one again.
    const isRoundTip = Math.hypot(next.at[0] - here.at[0], next.at[1] - here.at[1]) < apart / 2;
    const share = isRoundTip ? 0 : shareBetween(here.widthMm, next.widthMm, widthMm / 2, widthMm);
    run = isBetween(here.widthMm, widthMm / 2, widthMm) ? run + share * apart : share * apart;
    if (run >= 2 * widthMm) return true;
  }
  return false;
}

const isBetween = (value: number, low: number, high: number) => value >= low && value <= high;

/** The share of the way from one value to another that lies between two bounds. */
function shareBetween(from: number, to: number, low: number, high: number): number {
  if (isBetween(from, low, high) && isBetween(to, low, high)) return 1;
  if (!Number.isFinite(from) || !Number.isFinite(to) || from === to) return 0;
  const [a, b] = [(low - from) / (to - from), (high - from) / (to - from)];
  return Math.max(0, Math.min(1, Math.max(a, b)) - Math.max(0, Math.min(a, b)));
}

function wallAt(
  at: Point,
  inward: Point,
  edges: EdgeGrid,
  upToMm: number,
): { widthMm: number; across: Point } {
  let radius = upToMm / 2;
  let across = at;
  let facing = 1;
  for (const [from, to] of edges.near(at)) {
    const touch = touching(at, inward, from, to);
    if (!touch || touch.radius > radius * 1.02) continue;
    // Where several edges touch the circle, as around a disc, the one opposite tells how thick it is.
    if (touch.radius < radius * 0.98 || touch.facing < facing) ({ across, facing } = touch);
    radius = Math.min(radius, touch.radius);
  }
  return facing <= FACING_COSINE ? { widthMm: 2 * radius, across } : { widthMm: Infinity, across: at };
}

/**
 * The circle that touches the edge's line at a place from inside and another edge, which it reaches at `across`;
 * `facing` is the cosine of the angle between the two places seen from its middle.
 */
function touching(
  [px, py]: Point,
  [nx, ny]: Point,
  [ax, ay]: Point,
  [bx, by]: Point,
): { radius: number; across: Point; facing: number } | undefined {
  const [ex, ey] = [bx - ax, by - ay];
  const length = Math.hypot(ex, ey);
  if (length === 0) return undefined;
  // The distance to the other edge's line on the line's inner side, and how fast it shrinks on the way inwards.
  const height = ((px - ax) * -ey + (py - ay) * ex) / length;
  const along = (nx * -ey + ny * ex) / length;
  let best: { radius: number; across: Point } | undefined;
  if (height > 1e-9 && along < 1 - 1e-12) {
    const radius = height / (1 - along);
    const [cx, cy] = [px + nx * radius, py + ny * radius];
    const share = ((cx - ax) * ex + (cy - ay) * ey) / (length * length);
    if (share >= 0 && share <= 1) best = { radius, across: [ax + share * ex, ay + share * ey] };
  }
  for (const [qx, qy] of [
    [ax, ay],
    [bx, by],
  ] as const) {
    const [dx, dy] = [qx - px, qy - py];
    const depth = nx * dx + ny * dy;
    if (depth <= 1e-9) continue;
    const radius = (dx * dx + dy * dy) / (2 * depth);
    if (!best || radius < best.radius) best = { radius, across: [qx, qy] };
  }
  if (!best) return undefined;
  const [cx, cy] = [px + nx * best.radius, py + ny * best.radius];
  const facing = ((px - cx) * (best.across[0] - cx) + (py - cy) * (best.across[1] - cy)) / best.radius ** 2;
  return { ...best, facing };
}

type Edge = readonly [from: Point, to: Point];

/** The edges of a region by the squares that they pass, so that those near a place are found at once. */
class EdgeGrid {
  readonly #cellMm: number;
  readonly #cells = new Map<string, Edge[]>();

  /** `reachMm` is how far from a place edges are looked for. */
  constructor(region: Region, reachMm: number) {
    this.#cellMm = reachMm;
    for (const outline of region) outline.forEach((from, i) => this.#put(outline, from, i));
  }

  #put(outline: Outline, from: Point, i: number): void {
    const to = outline[(i + 1) % outline.length];
    const edge: Edge = [from, to];
    // Long edges are put into all squares of their box; that is more than they pass, and never too few.
    const [x0, x1] = [this.#cell(Math.min(from[0], to[0])), this.#cell(Math.max(from[0], to[0]))];
    const [y0, y1] = [this.#cell(Math.min(from[1], to[1])), this.#cell(Math.max(from[1], to[1]))];
    for (let x = x0; x <= x1; x++) {
      for (let y = y0; y <= y1; y++) {
        const key = `${x} ${y}`;
        const cell = this.#cells.get(key);
        if (cell) cell.push(edge);
        else this.#cells.set(key, [edge]);
      }
    }
  }

  /** All edges that come within reach of a place, and some others. */
  *near([px, py]: Point): Generator<Edge> {
    const [cx, cy] = [this.#cell(px), this.#cell(py)];
    for (let x = cx - 1; x <= cx + 1; x++) {
      for (let y = cy - 1; y <= cy + 1; y++) yield* this.#cells.get(`${x} ${y}`) ?? [];
    }
  }

  #cell(mm: number): number {
    return Math.floor(mm / this.#cellMm);
  }
}
