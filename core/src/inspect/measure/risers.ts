import type { Vec3 } from '../../mesh/index.ts';
import { extentOf, isInside, narrowestWidth, signedAreaOf, type Outline } from '../../plane/index.ts';
import { memoizePerPart } from './memoizePerPart.ts';
import { sectionsBesideLevels } from './sections.ts';
import type { Subject } from './subject.ts';

/** Something that stands on the plate or rises from something wider. */
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
  readonly outline: Outline;
  readonly extent: ReturnType<typeof extentOf>;
}

/** What rises begins where a section is narrower than this share of the one that it stands on. */
const NARROWER = 0.9;

/** A piece of a section, and the pieces that it stands on and carries. */
export interface Slice {
  readonly bottomMm: number;
  readonly zMm: number;
  readonly outline: Outline;
  readonly extent: ReturnType<typeof extentOf>;
  readonly faces: readonly number[];
  /** The narrowest that it is across. */
  readonly widthMm: number;
  readonly below: Slice[];
  readonly above: Slice[];
  /** The height up to which what stands on it is held by it alone. */
  reachMm: number;
}

/** The pieces of the sections just above and below each level, from the bottom up. */
export const slicesOf = memoizePerPart('pieces of sections', (subject): Slice[] => {
  const levels = sectionsBesideLevels(subject).map(({ zMm, bottomMm, topMm, outlines }) =>
    outlines
      .filter(({ points }) => signedAreaOf(points) > 0)
      .map(({ points, faces }): Slice => ({
        bottomMm,
        zMm,
        outline: points,
        extent: extentOf([points]),
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
        if (!overlap(below, slice)) continue;
        slice.below.push(below);
        below.above.push(slice);
      }
    }
  }
  const slices = levels.flat();
  for (const slice of slices.toReversed()) {
    // What also stands on something else, as the beam of a portal, holds its legs.
    const isShared = slice.below.length > 1;
    for (const below of slice.below) {
      below.reachMm = Math.max(below.reachMm, isShared ? slice.bottomMm : slice.reachMm);
    }
  }
  return slices;
});

/**
 * The part and each thing that rises from something wider, the most slender first: for every section the pieces that it
 * falls into, and how far what stands on each of them goes up. The openings of a ring do not make it slender.
 */
export function risersOf(subject: Subject): Riser[] {
  const slices = slicesOf(subject);
  return slices
    .filter(
      ({ below, widthMm }) =>
        widthMm > 0 && widthMm < NARROWER * Math.min(Infinity, ...below.map((each) => each.widthMm)),
    )
    .map((slice): Riser => {
      const heightMm = slice.reachMm - slice.bottomMm;
      const widthMm = standingWidth(slice);
      const { x, y } = slice.extent;
      return {
        heightMm,
        widthMm,
        slenderness: heightMm / widthMm,
        isWhole: slice.bottomMm < 1e-3 && slices.filter(({ bottomMm }) => bottomMm < 1e-3).length === 1,
        at: [(x.low + x.high) / 2, (y.low + y.high) / 2, slice.bottomMm + heightMm / 2],
        faces: [...new Set(slice.faces)],
        outline: slice.outline,
        extent: slice.extent,
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

/** Whether two outlines share ground: a corner of one lies in the other. Pieces of a solid do not cross without that. */
export function overlap(
  { outline: a, extent: p }: Pick<Slice, 'outline' | 'extent'>,
  { outline: b, extent: q }: Pick<Slice, 'outline' | 'extent'>,
): boolean {
  const isApart = p.x.low > q.x.high || q.x.low > p.x.high || p.y.low > q.y.high || q.y.low > p.y.high;
  if (isApart) return false;
  // Mostly one lies in the other, and any corner of it tells.
  if (isInside(b[0], a) || isInside(a[0], b)) return true;
  return b.some((point) => isInside(point, a)) || a.some((point) => isInside(point, b));
}
