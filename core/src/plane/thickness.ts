import { extentOf, type Point, type Region } from './region.ts';

/** How thick a region is at a place on its edge. */
export interface Thickness {
  readonly at: Point;
  /** The place across, where the other side of the wall is. */
  readonly across: Point;
  /** Infinity where there is no wall of less than the asked width: in broad places, and in corners. */
  readonly widthMm: number;
  /** How much of the outline the place stands for, mm. */
  readonly lengthMm: number;
  /** The edge of its outline that it lies on, counted from 0. */
  readonly edge: number;
}

/** The narrowest wall of a region. */
export interface ThinWall {
  readonly widthMm: number;
  readonly at: Point;
  readonly across: Point;
  /** Its outline in the region, and the edges of that along which the wall is as thin, or thinner. */
  readonly outline: number;
  readonly edges: readonly number[];
}

/**
 * Two sides make a wall if they face each other within this angle. A tip of less than thirty degrees is a wall, a sound
 * corner is none.
 */
const FACING_COSINE = Math.cos((150 * Math.PI) / 180);

/**
 * A wall is the same one between these shares of its width: beside a hole it widens on both sides. What is narrower
 * belongs to a tip that tapers away.
 */
const SAME_WALL = [0.65, 1.3] as const;

/** Places along an outline that are measured lie this far apart, mm. */
const APART_MM = 0.2;

/**
 * Walks along every outline and measures what is across: at each place the largest circle that touches the edge there
 * and fits in the region (a point of the medial axis; H. Blum, 1967), and whether it touches the other side opposite.
 *
 * @param upToMm walls of this width and more are not looked for
 */
export function thicknessAlong(
  region: Region,
  upToMm: number,
  apartMm = Math.min(APART_MM, upToMm / 2.5),
): Thickness[][] {
  const edges = new EdgeGrid(region, upToMm);
  return region.map((outline) => {
    const walk: Thickness[] = [];
    // Short edges, of which curves are made, share their places.
    let passedMm = 0;
    outline.forEach((from, edge) => {
      const to = outline[(edge + 1) % outline.length];
      const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
      passedMm += length;
      if (length === 0 || (passedMm < apartMm && edge < outline.length - 1)) return;
      // The region lies to the left of its edges.
      const inward: Point = [-(to[1] - from[1]) / length, (to[0] - from[0]) / length];
      const places = Math.max(1, Math.ceil(length / apartMm));
      for (let k = 0; k < places; k++) {
        const share = (k + 0.5) / places;
        const at: Point = [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1])];
        walk.push({ at, lengthMm: passedMm / places, edge, ...wallAt(at, inward, edges, upToMm) });
      }
      passedMm = 0;
    });
    return walk;
  });
}

/**
 * The narrowest wall of each outline that goes on for at least twice its width, the narrowest first; none for outlines
 * without one narrower than `upToMm`. Shorter ones are tips and notches, which print as they can.
 */
export function thinWalls(region: Region, upToMm: number, apartMm?: number): ThinWall[] {
  return thicknessAlong(region, upToMm, apartMm)
    .flatMap((walk, outline) => {
      let narrowest: Thickness | undefined;
      for (const place of walk) {
        if (place.widthMm < (narrowest?.widthMm ?? upToMm) && goesOn(walk, place.widthMm)) {
          narrowest = place;
        }
      }
      if (!narrowest) return [];
      const { widthMm, at, across } = narrowest;
      const edges = walk.filter((place) => place.widthMm <= widthMm * 1.1).map(({ edge }) => edge);
      return { widthMm, at, across, outline, edges: [...new Set(edges)] };
    })
    .sort((a, b) => a.widthMm - b.widthMm);
}

/** Whether somewhere along an outline walls of about a width follow each other for twice that width. */
function goesOn(walk: readonly Thickness[], widthMm: number): boolean {
  const [low, high] = [SAME_WALL[0] * widthMm, SAME_WALL[1] * widthMm];
  let run = 0;
  // Twice round, so that a run over the beginning counts as one.
  for (let i = 0; i < 2 * walk.length; i++) {
    const [here, next] = [walk[i % walk.length], walk[(i + 1) % walk.length]];
    const apart = (here.lengthMm + next.lengthMm) / 2;
    // Round the end of a wall or a tip the walk comes to the other side, where the wall is the same one again.
    const isRoundTip = distance(next.at, here.across) < distance(next.at, here.at);
    const share = shareBetween(here.widthMm, next.widthMm, low, high);
    if (isRoundTip) run = 0;
    else run = isBetween(here.widthMm, low, high) ? run + share * apart : share * apart;
    if (run >= 2 * widthMm) return true;
  }
  return false;
}

const distance = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1]);
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
  let widthMm = upToMm;
  let across = at;
  let facing = 1;
  edges.eachNear(at, (from, to) => {
    // An edge that lies behind touches no circle inside, and one that is further away than the circle is wide none either.
    const [ax, ay, bx, by] = [from[0] - at[0], from[1] - at[1], to[0] - at[0], to[1] - at[1]];
    if (inward[0] * ax + inward[1] * ay <= 1e-9 && inward[0] * bx + inward[1] * by <= 1e-9) return;
    const reach = 2.04 * radius;
    if (Math.min(ax, bx) > reach || Math.max(ax, bx) < -reach) return;
    if (Math.min(ay, by) > reach || Math.max(ay, by) < -reach) return;
    if (!touches(at, inward, from, to) || touch.radius > radius * 1.02) return;
    // Where several edges touch the circle, as around a disc, the one opposite tells how thick it is.
    // An edge that is nearer than that one replaces it, however many lay a little nearer each in between.
    if (touch.radius < (widthMm / 2) * 0.98 || touch.facing < facing) {
      across = [touch.x, touch.y];
      widthMm = 2 * touch.radius;
      facing = touch.facing;
    }
    radius = Math.min(radius, touch.radius);
  });
  return facing <= FACING_COSINE && widthMm < upToMm
    ? { widthMm, across }
    : { widthMm: Infinity, across: at };
}

/**
 * The circle that touches an edge's line at a place from inside and another edge, which it reaches at x, y; `facing` is
 * the cosine of the angle between the two places seen from its middle. One object serves all, since millions are made.
 */
const touch = { radius: 0, x: 0, y: 0, facing: 0 };

/** Works out {@link touch} for a place with its inward direction and another edge; false if there is no such circle. */
function touches([px, py]: Point, [nx, ny]: Point, [ax, ay]: Point, [bx, by]: Point): boolean {
  const ex = bx - ax;
  const ey = by - ay;
  const length = Math.sqrt(ex * ex + ey * ey);
  if (length === 0) return false;
  touch.radius = Infinity;
  // The distance to the other edge's line on the line's inner side, and how fast it shrinks on the way inwards.
  const height = ((px - ax) * -ey + (py - ay) * ex) / length;
  const along = (nx * -ey + ny * ex) / length;
  if (height > 1e-9 && along < 1 - 1e-12) {
    const radius = height / (1 - along);
    const share = ((px + nx * radius - ax) * ex + (py + ny * radius - ay) * ey) / (length * length);
    if (share >= 0 && share <= 1) {
      touch.radius = radius;
      touch.x = ax + share * ex;
      touch.y = ay + share * ey;
    }
  }
  touchCorner(px, py, nx, ny, ax, ay);
  touchCorner(px, py, nx, ny, bx, by);
  if (touch.radius === Infinity) return false;
  const cx = nx * touch.radius;
  const cy = ny * touch.radius;
  touch.facing = -(cx * (touch.x - px - cx) + cy * (touch.y - py - cy)) / (touch.radius * touch.radius);
  return true;
}

/** Takes the circle through a corner, if it is smaller. */
function touchCorner(px: number, py: number, nx: number, ny: number, qx: number, qy: number): void {
  const dx = qx - px;
  const dy = qy - py;
  const depth = nx * dx + ny * dy;
  if (depth <= 1e-9) return;
  const radius = (dx * dx + dy * dy) / (2 * depth);
  if (radius >= touch.radius) return;
  touch.radius = radius;
  touch.x = qx;
  touch.y = qy;
}

/** The edges of a region by the squares that they pass, so that those near a place are found at once. */
class EdgeGrid {
  readonly #cellMm: number;
  readonly #low: Point;
  readonly #columns: number;
  readonly #cells: (Point[] | undefined)[] = [];

  /** `reachMm` is how far from a place edges are looked for. */
  constructor(region: Region, reachMm: number) {
    const { x, y } = extentOf(region);
    // Squares are no smaller than a thousandth of the whole, so that there are never too many.
    this.#cellMm = Math.max(reachMm, (x.high - x.low) / 1000, (y.high - y.low) / 1000);
    this.#low = [x.low - this.#cellMm, y.low - this.#cellMm];
    this.#columns = Math.ceil((x.high - this.#low[0]) / this.#cellMm) + 2;
    for (const outline of region) {
      outline.forEach((from, i) => this.#put(from, outline[(i + 1) % outline.length]));
    }
  }

  #put(from: Point, to: Point): void {
    // Long edges are put into all squares of their box; that is more than they pass, and never too few.
    const [x0, x1] = [this.#column(Math.min(from[0], to[0])), this.#column(Math.max(from[0], to[0]))];
    const [y0, y1] = [this.#row(Math.min(from[1], to[1])), this.#row(Math.max(from[1], to[1]))];
    for (let y = y0; y <= y1; y++) {
      for (let x = x0; x <= x1; x++) {
        const cell = (this.#cells[y * this.#columns + x] ??= []);
        cell.push(from, to);
      }
    }
  }

  /** Visits all edges that come within reach of a place, and some others. */
  eachNear([px, py]: Point, visit: (from: Point, to: Point) => void): void {
    const [column, row] = [this.#column(px), this.#row(py)];
    for (let y = row - 1; y <= row + 1; y++) {
      for (let x = column - 1; x <= column + 1; x++) {
        const cell = this.#cells[y * this.#columns + x];
        if (cell) for (let i = 0; i < cell.length; i += 2) visit(cell[i], cell[i + 1]);
      }
    }
  }

  #column(mm: number): number {
    return Math.floor((mm - this.#low[0]) / this.#cellMm);
  }

  #row(mm: number): number {
    return Math.floor((mm - this.#low[1]) / this.#cellMm);
  }
}
