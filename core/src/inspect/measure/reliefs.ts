import type { Vec3 } from '../../mesh/index.ts';
import type { Relief } from '../../recipe/index.ts';
import { connectedIn } from './regions.ts';
import { middleOf, type Subject } from './subject.ts';

/** What a relief came to on the part. */
export interface MeasuredRelief {
  readonly relief: Relief;
  /** The least height or depth of its pieces against the surface around them; nothing where it goes right through. */
  readonly mm: number | undefined;
  readonly at: Vec3;
  readonly triangles: readonly number[];
  /** The places where it runs over an edge, into a hole, or into something that stands in its way. */
  readonly runningOut: readonly number[];
}

/** Faces that look the way of the relief lie within this of it, and its walls further away than that of a wall; cosines. */
const LEVEL = 0.98;
const WALL = 0.5;
/** Shorter stretches that run out are rounding, mm. */
const LEAST_MM = 0.3;

/**
 * Measures a relief on the surface of the part, whatever became of it: the walls that the step drew end at the surface
 * that they stand on. Undefined for letters that stand on the plate as things of their own.
 */
export function measuredRelief(subject: Subject, relief: Relief): MeasuredRelief | undefined {
  const { mesh, topology, faces } = subject;
  const { stepOf, triangles: t, positions: p } = mesh;
  const { direction: d, step } = relief;
  const along = (vertex: number) =>
    p[3 * vertex] * d[0] + p[3 * vertex + 1] * d[1] + p[3 * vertex + 2] * d[2];
  const looks = (face: number) =>
    faces.normals[3 * face] * d[0] + faces.normals[3 * face + 1] * d[1] + faces.normals[3 * face + 2] * d[2];

  const own: number[] = [];
  stepOf?.forEach((of, face) => of === step && faces.areas[face] > 0 && own.push(face));
  if (own.length === 0) return { relief, mm: 0, at: relief.middle, triangles: [], runningOut: [] };

  let least = Infinity;
  let at = relief.middle;
  let standsOnSomething = false;
  const runningOut = new Map<number, number>();
  for (const piece of connectedIn(subject.topology, own)) {
    const levels = piece.filter((face) => looks(face) > LEVEL);
    // The outermost of what looks the way of the relief: the tops of raised letters, or the floors of sunk ones.
    const level = levels.reduce((most, face) => Math.max(most, along(t[3 * face])), -Infinity);
    for (const face of piece) {
      const isLevel = looks(face) > LEVEL;
      const isWall = Math.abs(looks(face)) < WALL;
      if (!isLevel && !isWall) continue;
      for (let k = 0; k < 3; k++) {
        const other = topology.neighbours[3 * face + k];
        if (other < 0) continue;
        const [a, b] = [t[3 * face + k], t[3 * face + ((k + 1) % 3)]];
        const isOwn = stepOf![other] === step;
        if (isWall && !isOwn && Math.abs(looks(other)) > LEVEL) {
          standsOnSomething = true;
          if (relief.effect === 'through' || looks(other) < 0 || levels.length === 0) continue;
          const height = Math.abs(level - Math.max(along(a), along(b)));
          if (height < least) {
            least = height;
            at = middleOf(subject, face);
          }
          continue;
        }
        // Anything else that a wall or a level ends at is an edge of the part, a hole, or something in the way.
        const isUnderside = isOwn && isWall && looks(other) < -LEVEL && relief.effect === 'raised';
        if ((!isOwn && faces.areas[other] > 0) || isUnderside) {
          const mm = Math.hypot(
            p[3 * a] - p[3 * b],
            p[3 * a + 1] - p[3 * b + 1],
            p[3 * a + 2] - p[3 * b + 2],
          );
          runningOut.set(face, (runningOut.get(face) ?? 0) + mm);
        }
      }
    }
  }
  if (!standsOnSomething && relief.effect === 'raised') return undefined;
  const outMm = [...runningOut.values()].reduce((sum, mm) => sum + mm, 0);
  return {
    relief,
    mm: least === Infinity ? undefined : least,
    at,
    triangles: own,
    runningOut: outMm > LEAST_MM ? [...runningOut.keys()] : [],
  };
}
