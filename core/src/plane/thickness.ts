import { EdgeGrid } from './edgeGrid.ts';
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

/** An outline is first looked along so many times as coarsely. */
const COARSELY = 2;

/**
 * Walks along every outline and measures what is across: at each place the largest circle that touches the edge there
 * and fits in the region (a point of the medial axis; H. Blum, 1967), and whether it touches the other side opposite.
 *
 * @param upToMm walls of this width and more are not looked for
 */
export function thicknessAlong(region: Region, upToMm: number, apartMm = finely(upToMm)): Thickness[][] {
  const edges = new EdgeGrid(region, upToMm);
  return region.map((outline) => thicknessOf(outline, edges, upToMm, apartMm));
}

const finely = (upToMm: number) => Math.min(APART_MM, upToMm / 2.5);

function thicknessOf(outline: Outline, edges: EdgeGrid, upToMm: number, apartMm: number): Thickness[] {
  const walk: Thickness[] = [];
  // Short edges, of which curves are made, share their places.
  let passedMm = 0;
  for (let edge = 0; edge < outline.length; edge++) {
    const from = outline[edge];
    const to = outline[(edge + 1) % outline.length];
    const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
    passedMm += length;
    if (length === 0 || (passedMm < apartMm && edge < outline.length - 1)) continue;
    // The region lies to the left of its edges.
    const inward: Point = [-(to[1] - from[1]) / length, (to[0] - from[0]) / length];
    const places = Math.max(1, Math.ceil(length / apartMm));
    for (let k = 0; k < places; k++) {
      const share = (k + 0.5) / places;
      const at: Point = [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1])];
      walk.push({ at, lengthMm: passedMm / places, edge, ...wallAt(at, inward, edges, upToMm) });
    }
    passedMm = 0;
  }
  return walk;
}

/**
 * The narrowest wall of each outline that goes on for at least twice its width and 0.4 mm, the narrowest first; none for
 * outlines without one narrower than `upToMm`. Shorter ones are tips and notches, which print as they can.
 */
export function thinWalls(region: Region, upToMm: number, apartMm = finely(upToMm)): ThinWall[] {
  const grid = new EdgeGrid(region, upToMm);
  return region
    .flatMap((points, outline) => {
      // Most outlines have no wall at all, which a few of the places tell: a wall is never as short as they lie apart.
      const coarse = thicknessOf(points, grid, upToMm, COARSELY * apartMm);
      if (coarse.every(({ widthMm }) => widthMm === Infinity)) return [];
      const walk = thicknessOf(points, grid, upToMm, apartMm);
      let narrowest: Thickness | undefined;
      // Of widths within a hundredth of each other one is asked for; rough walls have thousands.
      const asked = new Map<number, boolean>();
      for (const place of walk) {
        if (place.widthMm >= (narrowest?.widthMm ?? upToMm)) continue;
        const key = Math.round(100 * Math.log(place.widthMm));
        const isWall = asked.get(key) ?? goesOn(walk, place.widthMm);
        asked.set(key, isWall);
        if (isWall) narrowest = place;
      }
      if (!narrowest) return [];
      const { widthMm, at, across } = narrowest;
      const edges = walk.filter((place) => place.widthMm <= widthMm * 1.1).map(({ edge }) => edge);
      return { widthMm, at, across, outline, edges: [...new Set(edges)] };
    })
    .sort((a, b) => a.widthMm - b.widthMm);
}

/** What is shorter than a nozzle is wide is no wall of its own, however thin: the notch where two strokes flow together. */
const LEAST_LENGTH_MM = 0.4;
/** But for outlines that are as short all around. */
const MOST_SHARE = 0.45;

/** Whether somewhere along an outline walls of about a width follow each other for twice that width. */
function goesOn(walk: readonly Thickness[], widthMm: number): boolean {
  const around = walk.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
  const least = Math.max(2 * widthMm, Math.min(LEAST_LENGTH_MM, MOST_SHARE * around));
  const low = SAME_WALL[0] * widthMm;
  const high = SAME_WALL[1] * widthMm;
  let run = 0;
  // Twice round, so that a run over the beginning counts as one.
  for (let i = 0; i < 2 * walk.length; i++) {
    const here = walk[i % walk.length];
    const isWithin = isBetween(here.widthMm, low, high);
    const next = walk[(i + 1) % walk.length];
    if (!isWithin && !isBetween(next.widthMm, low, high) && !crosses(here.widthMm, next.widthMm, low, high)) {
      run = 0;
      continue;
    }
    const apart = (here.lengthMm + next.lengthMm) / 2;
    // Round the end of a wall or a tip the walk comes to the other side, where the wall is the same one again.
    const isRoundTip = distance(next.at, here.across) < distance(next.at, here.at);
    const share = shareBetween(here.widthMm, next.widthMm, low, high);
    if (isRoundTip) run = 0;
    else run = isWithin ? run + share * apart : share * apart;
    if (run >= least) return true;
  }
  return false;
}

/** Whether the way from one value to another passes between two bounds though neither lies there. */
const crosses = (from: number, to: number, low: number, high: number) =>
  (from < low && to > high && to < Infinity) || (from > high && from < Infinity && to < low);

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
  grid: EdgeGrid,
  upToMm: number,
): { widthMm: number; across: Point } {
  const [px, py] = at;
  const [nx, ny] = inward;
  const { ends, found } = grid;
  let radius = upToMm / 2;
  let widthMm = upToMm;
  let across = at;
  let facing = 1;
  const count = grid.near(px, py);
  for (let i = 0; i < count; i++) {
    const edge = 4 * found[i];
    const ax = ends[edge] - px;
    const ay = ends[edge + 1] - py;
    const bx = ends[edge + 2] - px;
    const by = ends[edge + 3] - py;
    // An edge that lies behind touches no circle inside, and one that is further away than the circle is wide none either.
    if (nx * ax + ny * ay <= 1e-9 && nx * bx + ny * by <= 1e-9) continue;
    const reach = 2.04 * radius;
    if ((ax > reach && bx > reach) || (ax < -reach && bx < -reach)) continue;
    if ((ay > reach && by > reach) || (ay < -reach && by < -reach)) continue;
    if (!touches(nx, ny, ax, ay, bx, by) || touch.radius > radius * 1.02) continue;
    // Where several edges touch the circle, as around a disc, the one opposite tells how thick it is.
    // An edge that is nearer than that one replaces it, however many lay a little nearer each in between.
    if (touch.radius < (widthMm / 2) * 0.98 || touch.facing < facing) {
      across = [px + touch.x, py + touch.y];
      widthMm = 2 * touch.radius;
      facing = touch.facing;
    }
    if (touch.radius < radius) radius = touch.radius;
  }
  return facing <= FACING_COSINE && widthMm < upToMm
    ? { widthMm, across }
    : { widthMm: Infinity, across: at };
}

/**
 * The circle that touches an edge's line from inside at a place, and another edge, which it reaches at x, y from there;
 * `facing` is the cosine of the angle between the two places seen from its middle. One object serves all, since millions
 * are made.
 */
const touch = { radius: 0, x: 0, y: 0, facing: 0 };

/**
 * Works out {@link touch} for the inward direction at a place and another edge, whose ends are counted from the place;
 * false if there is no such circle.
 */
function touches(nx: number, ny: number, ax: number, ay: number, bx: number, by: number): boolean {
  const ex = bx - ax;
  const ey = by - ay;
  const length = Math.sqrt(ex * ex + ey * ey);
  if (length === 0) return false;
  touch.radius = Infinity;
  // The distance to the other edge's line on the line's inner side, and how fast it shrinks on the way inwards.
  const height = (ax * ey - ay * ex) / length;
  const along = (ny * ex - nx * ey) / length;
  if (height > 1e-9 && along < 1 - 1e-12) {
    const radius = height / (1 - along);
    const share = ((nx * radius - ax) * ex + (ny * radius - ay) * ey) / (length * length);
    if (share >= 0 && share <= 1) {
      touch.radius = radius;
      touch.x = ax + share * ex;
      touch.y = ay + share * ey;
    }
  }
  touchCorner(nx, ny, ax, ay);
  touchCorner(nx, ny, bx, by);
  if (touch.radius === Infinity) return false;
  const cx = nx * touch.radius;
  const cy = ny * touch.radius;
  touch.facing = -(cx * (touch.x - cx) + cy * (touch.y - cy)) / (touch.radius * touch.radius);
  return true;
}

/** Takes the circle through a corner, if it is smaller. */
function touchCorner(nx: number, ny: number, x: number, y: number): void {
  const depth = nx * x + ny * y;
  if (depth <= 1e-9) return;
  const radius = (x * x + y * y) / (2 * depth);
  if (radius >= touch.radius) return;
  touch.radius = radius;
  touch.x = x;
  touch.y = y;
}
