import type { Vec3 } from '../../mesh/index.ts';
import { connectedIn } from '../measure/regions.ts';
import { spread } from '../measure/spread.ts';
import type { Subject } from '../measure/subject.ts';
import type { ThinPlace } from './thinPlaces.ts';

/** What was found from one place of a face downwards. */
interface Look {
  readonly mm: number;
  /** The place half-way through. */
  readonly at: Vec3;
  readonly below: number;
}

/** Two faces make a floor if both are level within this; the slopes of a roof make none. */
const LEVEL = Math.cos((30 * Math.PI) / 180);
/** Each look stands for at least so much of the surface, mm², and there are at most so many of them. */
const LEAST_MM2 = 0.25;
const MOST_LOOKS = 1500;

/**
 * Where a part is thin from top to bottom: from places spread evenly over the faces that look up, it
 * is looked straight down to the next face below. A floor goes on for at least twice its thickness each way; what is less than half
 * as thick belongs to a tip that tapers away. What is nowhere as wide as a wall has to be is the rim of a step, and no floor.
 *
 * @param upToMm thicker ones are not looked for
 * @param wideMm how wide a floor is at least
 */
export function thinFloors(subject: Subject, upToMm: number, wideMm: number): ThinPlace[] {
  const { mesh, faces, topology, tree } = subject;
  const { positions: p, triangles: t } = mesh;
  const { normals, areas } = faces;
  const up: number[] = [];
  let allMm2 = 0;
  for (let f = 0; f < areas.length; f++) {
    if (normals[3 * f + 2] < LEVEL) continue;
    up.push(f);
    allMm2 += areas[f];
  }
  const eachMm2 = Math.max(LEAST_MM2, allMm2 / MOST_LOOKS);
  const looks = new Map<number, Look[]>();
  // What is left of one face's area counts towards the next, so that many small ones are looked at as often as a large one.
  let due = 0;
  for (const face of up) {
    due += areas[face];
    const count = Math.floor(due / eachMm2);
    due -= count * eachMm2;
    const [va, vb, vc] = [3 * t[3 * face], 3 * t[3 * face + 1], 3 * t[3 * face + 2]];
    for (let i = 0; i < count; i++) {
      const [a, b, c] = spread(i);
      const at: Vec3 = [0, 1, 2].map((k) => a * p[va + k] + b * p[vb + k] + c * p[vc + k]) as unknown as Vec3;
      const down = normals[3 * face + 2];
      const hit = tree.firstHit(at, [0, 0, -1], [1e-4, upToMm / down], (other) => other === face);
      if (!hit || normals[3 * hit.face + 2] > -LEVEL || facing(normals, face, hit.face) > -LEVEL) continue;
      const look = { mm: hit.mm * down, at: [at[0], at[1], at[2] - hit.mm / 2] as const, below: hit.face };
      const list = looks.get(face);
      if (list) list.push(look);
      else looks.set(face, [look]);
    }
  }
  return connectedIn(topology, [...looks.keys()]).flatMap((region): ThinPlace[] => {
    const all = region.flatMap((face) => looks.get(face)!).sort((a, b) => a.mm - b.mm);
    const thinnest = all.find(({ mm }, i) => {
      const alike = all.slice(0, i + 1).filter((other) => other.mm >= mm / 2).length;
      return alike * eachMm2 >= (2 * mm) ** 2 && i < MOST_TRIED && isWide(subject, all[i], wideMm);
    });
    if (!thinnest) return [];
    const faces = [...region, ...new Set(all.map(({ below }) => below))];
    return [{ mm: thinnest.mm, at: thinnest.at, isFloor: true, faces }];
  });
}

/** So many of the thinnest looks of a floor are tried for whether it is wide there. */
const MOST_TRIED = 60;
/** A floor slopes by no more than this over half the width of a wall, mm; it is looked for from so far above. */
const SLOPE_MM = 0.3;
/** A floor is the same one where it is no more than so many times as thick or as thin; what tapers to an edge is none. */
const SAME_FLOOR = 1.3;
/** Around a place it is looked in so many directions. */
const AROUND = Array.from({ length: 8 }, (_, i) => [
  Math.cos((i * Math.PI) / 4),
  Math.sin((i * Math.PI) / 4),
]);

/** Whether a disc as wide as a wall that holds a place of a floor is as thin all around. */
function isWide(subject: Subject, { mm, at: [x, y, z] }: Look, wideMm: number): boolean {
  // Not quite to the rim of the disc, where the floor may end with it.
  const radius = 0.45 * wideMm;
  const topMm = z + mm / 2;
  const isThin = (px: number, py: number) => isThinAt(subject, [px, py, topMm + SLOPE_MM], mm);
  return [[0, 0], ...AROUND].some(([cx, cy]) =>
    AROUND.every(([dx, dy]) => isThin(x + radius * (cx + dx), y + radius * (cy + dy))),
  );
}

/** Whether what is met first below a place is a floor about as thick as another. */
function isThinAt({ tree, faces: { normals } }: Subject, from: Vec3, mm: number): boolean {
  const top = tree.firstHit(from, [0, 0, -1], [0, 2 * SLOPE_MM], () => false);
  if (!top || normals[3 * top.face + 2] < 0) return false;
  const under: Vec3 = [from[0], from[1], from[2] - top.mm];
  const below = tree.firstHit(under, [0, 0, -1], [1e-4, SAME_FLOOR * mm], (face) => face === top.face);
  return below !== undefined && below.mm >= mm / SAME_FLOOR;
}

/** The cosine of the angle between the directions of two faces. */
function facing(n: Float64Array, a: number, b: number): number {
  return n[3 * a] * n[3 * b] + n[3 * a + 1] * n[3 * b + 1] + n[3 * a + 2] * n[3 * b + 2];
}
