import type { Vec3 } from '../../mesh/index.ts';
import { areAllLevels } from './levels.ts';
import { memoizePerPart } from './memoizePerPart.ts';
import { MOST_SPACES } from './sections.ts';
import { spread } from './spread.ts';
import type { Subject } from './subject.ts';

/** A face is upright if it looks up or down by less than this: across from it a wall is as thin at any height. */
export const UPRIGHT = 1e-3;
/** Faces stand if they look up or down by less than this, and two make a wall if they face each other within thirty degrees. */
const STANDING = Math.sin((50 * Math.PI) / 180);
const FACING = Math.cos((30 * Math.PI) / 180);
/** Each look stands for at least so much of the surface, mm², and there are about so many of them at most. */
const LEAST_MM2 = 0.5;
const MOST_LOOKS = 600;
/** Beside the upper and the lower end of a face it is looked so far from it, as a share of the face. */
const BESIDE_END = 0.06;
/** Heights closer than this show the same, mm. */
const SAME_MM = 0.4;

/**
 * Heights at which a wall, or a slit, is thinner than asked for, the thinnest first: from places all over the faces that
 * stand it is looked straight across. Sections through these heights show what those between the levels miss: the thin
 * end of a wall that tapers, and a fin that begins and ends between them. Where there is a section between all levels,
 * upright faces need no look.
 *
 * @param furthestMm the most that is ever asked for; it is looked no further
 * @param most so many heights at most
 */
export function thinHeightsOf(
  subject: Subject,
  what: 'walls' | 'slits',
  {
    upToMm,
    furthestMm,
    most,
  }: { readonly upToMm: number; readonly furthestMm: number; readonly most: number },
): number[] {
  const heights: number[] = [];
  for (const { zMm, mm } of looksAcross(subject, what, furthestMm)) {
    if (mm > upToMm || heights.length === most) break;
    if (heights.every((height) => Math.abs(height - zMm) > SAME_MM)) heights.push(zMm);
  }
  return heights;
}

interface Look {
  readonly zMm: number;
  readonly mm: number;
}

/** What was found straight across, the thinnest first. */
const looksAcross = memoizePerPart(
  'looks across',
  (subject, what: 'walls' | 'slits', upToMm: number): Look[] => {
    const isUprightAsked = !areAllLevels(subject, MOST_SPACES);
    const { mesh, faces } = subject;
    const { positions: p, triangles: t } = mesh;
    const { normals: n, areas } = faces;
    const isAsked = (f: number) => {
      const steep = Math.abs(n[3 * f + 2]);
      return steep < STANDING && (isUprightAsked || steep > UPRIGHT);
    };
    let allMm2 = 0;
    for (let f = 0; f < areas.length; f++) if (isAsked(f)) allMm2 += areas[f];
    if (allMm2 === 0) return [];
    const { tree } = subject;
    const eachMm2 = Math.max(LEAST_MM2, allMm2 / MOST_LOOKS);
    const inwards = what === 'walls' ? -1 : 1;
    const found: Look[] = [];
    let due = 0;
    for (let face = 0; face < areas.length; face++) {
      if (!isAsked(face)) continue;
      due += areas[face];
      const count = Math.floor(due / eachMm2);
      if (count === 0) continue;
      due -= count * eachMm2;
      const flat = Math.hypot(n[3 * face], n[3 * face + 1]);
      const way: Vec3 = [(inwards * n[3 * face]) / flat, (inwards * n[3 * face + 1]) / flat, 0];
      const look = (a: number, b: number, c: number) => {
        const at = [0, 1, 2].map(
          (axis) =>
            a * p[3 * t[3 * face] + axis] +
            b * p[3 * t[3 * face + 1] + axis] +
            c * p[3 * t[3 * face + 2] + axis],
        ) as unknown as Vec3;
        const hit = tree.firstHit(at, way, [1e-4, upToMm], (other) => other === face);
        if (!hit) return;
        const facing = inwards * -(n[3 * hit.face] * way[0] + n[3 * hit.face + 1] * way[1]);
        if (facing > FACING) found.push({ zMm: at[2], mm: hit.mm });
      };
      // The very first of the places lies on an edge.
      for (let i = 1; i <= count; i++) look(...spread(i));
      if (Math.abs(n[3 * face + 2]) <= UPRIGHT) continue;
      const heights = [0, 1, 2].map((k) => p[3 * t[3 * face + k] + 2]);
      for (const end of [Math.max(...heights), Math.min(...heights)]) {
        const shares = heights.map((height) => (Math.abs(height - end) < 1e-3 ? 1 : 0));
        const ends = shares.filter((share) => share === 1).length;
        const [a, b, c] = shares.map((share) => (share === 1 ? (1 - 1.5 * BESIDE_END) / ends : 0));
        const rest = (1 - a - b - c) / (3 - ends || 1);
        look(a || rest, b || rest, c || rest);
      }
    }
    return found.sort((a, b) => a.mm - b.mm);
  },
  (what, upToMm) => `${what} ${upToMm} mm`,
);
