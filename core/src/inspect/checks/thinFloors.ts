import type { Vec3 } from '../../mesh/index.ts';
import { connectedIn } from '../measure/regions.ts';
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
 * as thick belongs to a tip that tapers away.
 *
 * @param upToMm thicker ones are not looked for
 */
export function thinFloors(subject: Subject, upToMm: number): ThinPlace[] {
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
      return alike * eachMm2 >= (2 * mm) ** 2;
    });
    if (!thinnest) return [];
    const faces = [...region, ...new Set(all.map(({ below }) => below))];
    return [{ mm: thinnest.mm, at: thinnest.at, isFloor: true, faces }];
  });
}

/** The cosine of the angle between the directions of two faces. */
function facing(n: Float64Array, a: number, b: number): number {
  return n[3 * a] * n[3 * b] + n[3 * a + 1] * n[3 * b + 1] + n[3 * a + 2] * n[3 * b + 2];
}

/** The nth of places spread evenly over a triangle, as shares of its corners (R₂ sequence; M. Roberts, 2018). */
function spread(n: number): [number, number, number] {
  const u = (0.5 + n * 0.7548776662466927) % 1;
  const v = (0.5 + n * 0.5698402909980532) % 1;
  return u + v > 1 ? [u + v - 1, 1 - u, 1 - v] : [1 - u - v, u, v];
}
