import { uprightSection, type Vec3 } from '../../mesh/index.ts';
import {
  largestCircleAround,
  shareNearest,
  signedAreaOf,
  toEdgeMm,
  type Outline,
  type Point,
  type ThinWall,
} from '../../plane/index.ts';
import { wallsNearLimit } from './wallsNearLimit.ts';
import { slicesOf, type Slice } from './risers.ts';
import type { Subject } from './subject.ts';

/** Where two lumps of one body hang together. */
export interface Joint {
  readonly mm: number;
  readonly at: Vec3;
  readonly faces: readonly number[];
}

/** A narrow place of a section, and the direction across it. */
interface Neck extends Joint {
  readonly along: Point;
}

/** Both sides of a joint are lumps if on average they are so many times as wide as it is. */
const LUMP = 1.6;
/** A place lies on an outline if it is no further away, mm. */
const ON_MM = 1e-3;
/** A corner is hollow if the outline turns by more than this there; the sine of it. */
const HOLLOW = Math.sin((20 * Math.PI) / 180);

/** Joints nearer to each other as seen from above are one, mm. */
export const SAME_PLACE_MM = 3;
/** So many necks of sections are looked at in space; more of them are all over a rough surface. */
const MOST_CUTS = 40;

/**
 * The joints between lumps of one body that are narrower than asked for, the narrowest first: necks of a section, from
 * one hollow of its outline to another or across a wall of it, and sections that are narrower than what is above and
 * below them. A neck of a section is a joint only if it is one in space: what the upright plane through it cuts there is
 * nowhere thicker than asked for. Through the saddle of a hill it cuts all that lies under it.
 */
export function jointsOf(subject: Subject, upToMm: number): Joint[] {
  const slices = slicesOf(subject);
  const necks = [
    ...wallsNearLimit(subject, upToMm).flatMap(({ section, walls }) =>
      walls.flatMap((wall) => {
        const { points, faces } = section.outlines[wall.outline];
        const chord = wall.widthMm < upToMm ? chordAcross(points, wall) : undefined;
        return chord ? narrowest({ outline: points, faces, zMm: section.zMm }, [chord]) : [];
      }),
    ),
    ...slices.flatMap((slice) => narrowest(slice, hollowPairs(slice.outline, upToMm))),
  ].sort((a, b) => a.mm - b.mm);
  const found: Joint[] = [];
  let cuts = 0;
  for (const neck of necks) {
    // The next sections show the same joint again.
    if (found.some(({ at }) => Math.hypot(at[0] - neck.at[0], at[1] - neck.at[1]) < SAME_PLACE_MM)) continue;
    if (cuts++ === MOST_CUTS) break;
    const mm = thicknessThrough(subject, neck);
    if (mm < upToMm) found.push({ ...neck, mm });
  }
  return [...found, ...waists(slices, upToMm)].sort((a, b) => a.mm - b.mm);
}

/** The plane through a neck may be that of a face at its end; it is cut so far on both sides of it, mm. */
const BESIDE_MM = 0.01;

/**
 * How thick a part is at most where an upright plane through a neck of a section cuts it there, mm: the less of both sides
 * of the neck. As wide as the section is there, where both planes miss the part.
 */
function thicknessThrough({ mesh }: Subject, { at: [x, y, z], along, mm }: Neck): number {
  const thick = [-BESIDE_MM, BESIDE_MM].flatMap((by) => {
    const [px, py] = [x - by * along[1], y + by * along[0]];
    const region = uprightSection(mesh, [px, py], along).map(({ points }): Outline => points);
    const across = largestCircleAround([px * along[0] + py * along[1], z], region);
    return across > 0 ? [across] : [];
  });
  return thick.length > 0 ? Math.min(...thick) : mm;
}

/** Sections that are narrower than something below and something above, which hang together by them. */
function waists(slices: readonly Slice[], upToMm: number): Joint[] {
  const widestBelow = widestOn('below');
  const widestAbove = widestOn('above');
  return slices.flatMap((slice): Joint[] => {
    const { widthMm, outline, faces, zMm } = slice;
    const { x, y } = slice.runs.box;
    const isWaist = widthMm < upToMm && Math.min(widestBelow(slice), widestAbove(slice)) > LUMP * widthMm;
    const at: Vec3 = [(x.low + x.high) / 2, (y.low + y.high) / 2, zMm];
    return isWaist && outline.length > 0 ? [{ mm: widthMm, at, faces: [...new Set(faces)] }] : [];
  });
}

/** Tells how wide a part gets on one side of a slice, however gradually. */
function widestOn(side: 'below' | 'above'): (slice: Slice) => number {
  const known = new Map<Slice, number>();
  return function widest(slice): number {
    let most = known.get(slice);
    if (most === undefined) {
      most = Math.max(0, ...slice[side].map((next) => Math.max(next.widthMm, widest(next))));
      known.set(slice, most);
    }
    return most;
  };
}

/** The narrowest of several chords that has a lump on both its sides. */
function narrowest(
  { outline, faces, zMm }: Pick<Slice, 'outline' | 'faces' | 'zMm'>,
  chords: readonly Chord[],
): Neck[] {
  for (const { mm, from, to } of [...chords].sort((a, b) => a.mm - b.mm)) {
    const [one, other] = parted(outline, from, to);
    if (meanWidth(one) < LUMP * mm || meanWidth(other) < LUMP * mm) continue;
    const [a, b] = [outline[from], outline[to]];
    const near = [from, to].map((corner) => faces[corner]);
    // One neck is one joint; the next best chord of it is the same.
    const apart = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (apart === 0) continue;
    return [
      {
        mm,
        at: [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, zMm],
        along: [(b[0] - a[0]) / apart, (b[1] - a[1]) / apart],
        faces: [...new Set(near)],
      },
    ];
  }
  return [];
}

/** Two places of an outline, by the numbers of their corners, that are close to each other across the material. */
interface Chord {
  readonly from: number;
  readonly to: number;
  readonly mm: number;
}

/** Chords from one hollow corner to another. */
function hollowPairs(outline: Outline, upToMm: number): Chord[] {
  const hollow = outline.flatMap((_, i) => (isHollow(outline, i) ? [i] : []));
  const chords: Chord[] = [];
  for (let k = 0; k < hollow.length; k++) {
    const from = hollow[k];
    const [x, y] = outline[from];
    for (let other = k + 1; other < hollow.length; other++) {
      const to = hollow[other];
      const dx = outline[to][0] - x;
      const dy = outline[to][1] - y;
      if (dx * dx + dy * dy >= upToMm * upToMm) continue;
      if (entersMaterial(outline, from, to) && entersMaterial(outline, to, from)) {
        chords.push({ from, to, mm: Math.hypot(dx, dy) });
      }
    }
  }
  return chords;
}

/** The chord across a wall of an outline; none where the other side is another outline, as that of a hole. */
function chordAcross(outline: Outline, { widthMm, at, across }: ThinWall): Chord | undefined {
  const [from, to] = [nearest(outline, at), nearest(outline, across)];
  return to.mm > ON_MM ? undefined : { from: from.corner, to: to.corner, mm: widthMm };
}

/** The corner of an outline next to a place, and how far the place lies from the outline. */
function nearest(outline: Outline, [x, y]: Point): { corner: number; mm: number } {
  let corner = 0;
  let least = Infinity;
  outline.forEach((from, i) => {
    const next = (i + 1) % outline.length;
    const edge = [...from, ...outline[next]] as const;
    const mm = toEdgeMm(x, y, ...edge);
    if (mm < least) [least, corner] = [mm, shareNearest(x, y, ...edge) > 0.5 ? next : i];
  });
  return { corner, mm: least };
}

function isHollow(outline: Outline, i: number): boolean {
  const [a, b, c] = [outline.at(i - 1)!, outline[i], outline[(i + 1) % outline.length]];
  const [ux, uy, vx, vy] = [b[0] - a[0], b[1] - a[1], c[0] - b[0], c[1] - b[1]];
  return ux * vy - uy * vx < -HOLLOW * Math.hypot(ux, uy) * Math.hypot(vx, vy);
}

/** Whether the way from one corner to another begins inside the outline: between its edges there. */
function entersMaterial(outline: Outline, from: number, to: number): boolean {
  const [a, b, c] = [outline.at(from - 1)!, outline[from], outline[(from + 1) % outline.length]];
  const [wx, wy] = [outline[to][0] - b[0], outline[to][1] - b[1]];
  const leftOf = (p: Point, q: Point) => (q[0] - p[0]) * wy - (q[1] - p[1]) * wx > 0;
  // At a hollow corner, what is left of either edge is material.
  return leftOf(a, b) || leftOf(b, c);
}

/** The two outlines into which a chord parts one. */
function parted(outline: Outline, from: number, to: number): [Outline, Outline] {
  const [low, high] = [Math.min(from, to), Math.max(from, to)];
  return [outline.slice(low, high + 1), [...outline.slice(high), ...outline.slice(0, low + 1)]];
}

/** Twice the area over the length of an outline: half the side of a square, and nearly all the width of a strip. */
function meanWidth(outline: Outline): number {
  const around = outline.reduce((sum, [x, y], i) => {
    const [px, py] = outline.at(i - 1)!;
    return sum + Math.hypot(x - px, y - py);
  }, 0);
  return around > 0 ? (2 * signedAreaOf(outline)) / around : 0;
}
