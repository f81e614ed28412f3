import { sectionAt, type SolidMesh, type Vec3 } from '../../mesh/index.ts';
import { narrowestWidth, OutlineRuns, signedAreaOf, type Outline } from '../../plane/index.ts';
import { areAllLevels } from './levels.ts';
import { memoizePerPart } from './memoizePerPart.ts';
import { sectionsAt, sectionsBesideLevels, type LevelSection } from './sections.ts';
import type { Subject } from './subject.ts';

/** Something that stands on the plate or rises on a part. */
export interface Riser {
  readonly heightMm: number;
  /** The narrowest that it is across, where it begins. */
  readonly widthMm: number;
  /** How many times as tall as wide. */
  readonly slenderness: number;
  readonly isWhole: boolean;
  /** A place on it half-way up. */
  readonly at: Vec3;
  /** Triangles of its walls where it begins, and its outline there. */
  readonly faces: readonly number[];
  readonly runs: OutlineRuns;
}

/** Something narrower begins where a section is less wide than this share of the one that it stands on. */
const NARROWER = 0.9;
/** What is narrower than this holds nothing: a sliver of a face that is not quite level, mm. */
const SLIVER_MM = 0.1;
/** So many spaces between levels are looked at. */
const MOST_SPACES = 24;
/** What is lower than this is not knocked off, mm. */
const LEAST_HEIGHT_MM = 1;

/** A piece of a section, and the pieces that it stands on and carries. */
export interface Slice {
  readonly bottomMm: number;
  readonly zMm: number;
  readonly outline: Outline;
  readonly runs: OutlineRuns;
  readonly faces: readonly number[];
  /** The narrowest that it is across. */
  readonly widthMm: number;
  readonly below: Slice[];
  readonly above: Slice[];
  /** The height up to which what stands on it is held by it alone. */
  reachMm: number;
}

/** The pieces of the sections just above and below each level, and where they become narrower in between, from the bottom up. */
export const slicesOf = memoizePerPart('pieces of sections', (subject): Slice[] => {
  const sections = sectionsBesideLevels(subject, MOST_SPACES);
  const linked = linkedSlices(sections);
  const isSampled = !areAllLevels(subject, MOST_SPACES);
  const added = isSampled ? beginningsBetween(subject, linked) : [];
  const levels =
    added.length === 0 ? linked : linkedSlices(inOrder(sections, sectionsAt(subject, added, false)));
  levels.forEach((level, i) => {
    const above = levels[i + 1]?.[0]?.zMm;
    const ending = above === undefined || !isSampled ? [] : level.filter((slice) => slice.above.length === 0);
    for (const slice of ending.slice(0, MOST_ENDS)) slice.reachMm = endOf(subject, slice, above);
  });
  const slices = levels.flat();
  for (const slice of slices.toReversed()) {
    // What also stands on something else, as the beam of a portal, holds its legs.
    const isShared = slice.below.filter(({ widthMm }) => widthMm > SLIVER_MM).length > 1;
    for (const below of slice.below) {
      below.reachMm = Math.max(below.reachMm, isShared ? slice.bottomMm : slice.reachMm);
    }
  }
  return slices;
});

const inOrder = (...lists: readonly LevelSection[][]) => lists.flat().sort((a, b) => a.zMm - b.zMm);

/** The pieces of sections, a list for each from the bottom up, linked with those they stand on. */
function linkedSlices(sections: readonly LevelSection[]): Slice[][] {
  const levels = sections.map(({ zMm, bottomMm, topMm, outlines }) =>
    outlines
      .filter(({ points }) => signedAreaOf(points) > 0)
      .map(({ points, faces }): Slice => ({
        bottomMm,
        zMm,
        outline: points,
        runs: new OutlineRuns(points),
        faces,
        widthMm: narrowestWidth(points),
        below: [],
        above: [],
        reachMm: topMm,
      })),
  );
  for (let level = 1; level < levels.length; level++) {
    for (const slice of levels[level]) {
      for (const below of levels[level - 1]) {
        if (!overlap(below.runs, slice.runs)) continue;
        slice.below.push(below);
        below.above.push(slice);
      }
    }
  }
  return levels;
}

/** The heights just above which a piece becomes much narrower between two sections. */
function beginningsBetween({ mesh }: Subject, levels: readonly Slice[][]): number[] {
  const found: number[] = [];
  let asked = 0;
  // The narrowest first, as the most slender will be among them.
  for (const slice of levels.flat().sort((a, b) => a.widthMm - b.widthMm)) {
    const [under] = slice.below;
    if (!under || slice.bottomMm < slice.zMm || slice.widthMm >= NARROWER * under.widthMm) continue;
    if (asked++ === MOST_ASKED) break;
    const widthAt = (zMm: number) => {
      const piece = pieceAt(mesh, zMm, slice);
      return piece ? narrowestWidth(piece) : 0;
    };
    // What narrows gradually has no place where it begins.
    const halfWay = widthAt((under.zMm + slice.zMm) / 2);
    if (halfWay < NARROWER * under.widthMm && NARROWER * halfWay > slice.widthMm) continue;
    const zMm = parting(under.zMm, slice.zMm, (at) => widthAt(at) >= NARROWER * under.widthMm);
    if (slice.zMm - zMm > 2 * EXACT_MM) found.push(zMm + EXACT_MM);
    if (found.length === MOST_ENDS) break;
  }
  return found;
}

/** So many of the pieces that end between two sections are followed to their ends. */
const MOST_ENDS = 4;
/** So many are asked whether they do. */
const MOST_ASKED = 12;
/** To this an end or a beginning between two sections is found, mm. */
const EXACT_MM = 0.02;

/** Where a piece of a section ends that the next section above no longer shows, mm. */
function endOf({ mesh }: Subject, slice: Slice, aboveMm: number): number {
  return parting(slice.zMm, aboveMm, (zMm) => pieceAt(mesh, zMm, slice) !== undefined);
}

/** The height between two at which something that holds at the lower one no longer does. */
function parting(lowMm: number, highMm: number, holds: (zMm: number) => boolean): number {
  let [low, high] = [lowMm, highMm];
  while (high - low > EXACT_MM) {
    const middle = (low + high) / 2;
    if (holds(middle)) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** The piece of a section that lies over or under another. */
function pieceAt(mesh: SolidMesh, zMm: number, { runs }: Slice): Outline | undefined {
  return sectionAt(mesh, zMm)
    .map(({ points }): Outline => points)
    .find((points) => signedAreaOf(points) > 0 && overlap(new OutlineRuns(points), runs));
}

/**
 * The part and each thing that rises on it, the most slender first: for every section the pieces that it falls into, and
 * how far what stands on each of them goes up. The openings of a ring do not make it slender.
 */
export function risersOf(subject: Subject): Riser[] {
  const slices = slicesOf(subject);
  const standing = slices.filter(({ bottomMm }) => bottomMm < 1e-3);
  return slices
    .filter((slice) => slice.widthMm > SLIVER_MM && slice.reachMm - slice.bottomMm >= LEAST_HEIGHT_MM)
    .map((slice): Riser => {
      const heightMm = slice.reachMm - slice.bottomMm;
      const widthMm = standingWidth(slice);
      const { x, y } = slice.runs.box;
      return {
        heightMm,
        widthMm,
        slenderness: heightMm / widthMm,
        isWhole: standing.length === 1 && standing[0] === slice,
        at: [(x.low + x.high) / 2, (y.low + y.high) / 2, slice.bottomMm + heightMm / 2],
        faces: [...new Set(slice.faces)],
        runs: slice.runs,
      };
    })
    .sort((a, b) => b.slenderness - a.slenderness);
}

/**
 * How wide something stands: the widest that it gets within a height of that width. What widens at once, as a ball on
 * the plate, is no thinner than it looks; a stem stays one.
 */
function standingWidth(slice: Slice): number {
  let widthMm = slice.widthMm;
  const open = slice.above.map((next) => [slice, next] as const);
  const seen = new Set<Slice>();
  for (const [from, to] of open) {
    if (from.zMm > slice.bottomMm + widthMm || seen.has(to)) continue;
    seen.add(to);
    // Between two sections it widens evenly; how far up is looked grows with what is found.
    const perMm = (to.widthMm - from.widthMm) / (to.zMm - from.zMm);
    const reachedMm =
      perMm < 1 ? (from.widthMm + perMm * (slice.bottomMm - from.zMm)) / (1 - perMm) : Infinity;
    widthMm = Math.max(widthMm, Math.min(to.widthMm, reachedMm));
    open.push(...to.above.map((next) => [to, next] as const));
  }
  return widthMm;
}

/** How far inside an outline it is asked whether another holds its edges, mm: they often lie upon each other. */
const WITHIN_MM = 1e-3;
/** So many edges of an outline are asked at most. */
const MOST_EDGES = 40;

/** Whether two outlines share ground: just inside an edge of one is inside the other. Pieces of a solid do not cross without that. */
export function overlap(a: OutlineRuns, b: OutlineRuns): boolean {
  const [p, q] = [a.box, b.box];
  const isApart = p.x.low > q.x.high || q.x.low > p.x.high || p.y.low > q.y.high || q.y.low > p.y.high;
  if (isApart) return false;
  // Mostly the smaller lies in the larger, and its first edge tells.
  const isSmaller = p.x.high - p.x.low < q.x.high - q.x.low;
  return isSmaller ? reachesInto(a, b) || reachesInto(b, a) : reachesInto(b, a) || reachesInto(a, b);
}

function reachesInto({ points }: OutlineRuns, other: OutlineRuns): boolean {
  // Of long outlines, edges all around tell as well as all of them.
  const step = Math.max(1, points.length / MOST_EDGES);
  for (let k = 0; k < points.length; k += step) {
    const i = Math.floor(k);
    const [x, y] = points[i];
    const [nx, ny] = points[(i + 1) % points.length];
    const mm = Math.hypot(nx - x, ny - y);
    if (mm < WITHIN_MM) continue;
    // Material lies to the left of an edge.
    const [inX, inY] = [(-WITHIN_MM * (ny - y)) / mm, (WITHIN_MM * (nx - x)) / mm];
    if (other.holds([(x + nx) / 2 + inX, (y + ny) / 2 + inY])) return true;
  }
  return false;
}
