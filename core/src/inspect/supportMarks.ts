import * as z from 'zod';
import { faceFinder, facesOf, type HangingFaces, type SolidMesh } from '../mesh/index.ts';

const coordinate = z.number().min(-2000).max(2000);

/** A face of a part, by a place on it in mm, that supports are to keep away from or to hold. */
const supportMark = z.strictObject({
  at: z.tuple([coordinate, coordinate, coordinate]),
  wish: z.enum(['free', 'hold']),
});
export type SupportMark = z.infer<typeof supportMark>;

export const supportMarks = z.array(supportMark).max(40);

/** A face whose normal goes down less than this has nothing that a support could hold. */
const LOOKS_DOWN = -0.05;
/** What lies on the plate is held by that, mm. */
const ON_PLATE_MM = 0.05;

/** Whether a support could touch a face that lies so high, mm, and whose normal goes up by so much of its length. */
export function canBeTouched(highMm: number, normalUp: number): boolean {
  return normalUp < LOOKS_DOWN && highMm > ON_PLATE_MM;
}

/** A mark is still on a part that was changed if its surface is so near to it, mm. */
const STILL_THERE_MM = 0.5;

/** Of the marks of a part, which stands on z = 0, those whose faces it still has after it was changed. */
export function marksStillOn(mesh: SolidMesh, marks: readonly SupportMark[]): SupportMark[] {
  if (marks.length === 0) return [];
  const faceAt = faceFinder(mesh);
  return marks.filter(({ at }) => faceAt(at, STILL_THERE_MM).length > 0);
}

/** The faces that somebody marked; of one that was marked twice, the later mark counts. */
export interface MarkedFaces {
  readonly free: ReadonlySet<number>;
  readonly hold: ReadonlySet<number>;
}

/** What marks on a part mean in triangles of its mesh, which stands on z = 0. */
export function markedFaces(mesh: SolidMesh, marks: readonly SupportMark[]): MarkedFaces {
  const [free, hold] = [new Set<number>(), new Set<number>()];
  // Most parts have none, and each is looked at while it is drawn.
  if (marks.length === 0) return { free, hold };
  const { positions, triangles } = mesh;
  const { normals } = facesOf(mesh);
  const faceAt = faceFinder(mesh);
  const canBeHeld = (face: number) => {
    const heights = [0, 1, 2].map((k) => positions[3 * triangles[3 * face + k] + 2]);
    return canBeTouched(Math.max(...heights), normals[3 * face + 2]);
  };
  for (const { at, wish } of marks) {
    const [own, other] = wish === 'free' ? [free, hold] : [hold, free];
    for (const face of faceAt(at)) {
      other.delete(face);
      if (wish === 'free' || canBeHeld(face)) own.add(face);
    }
  }
  return { free, hold };
}

/** What is held, with what somebody marked: less what is kept free, and more what has to be held. */
export function asMarked(hanging: readonly HangingFaces[], { free, hold }: MarkedFaces): HangingFaces[] {
  const left = hanging
    .map((each) => ({ ...each, faces: each.faces.filter((face) => !free.has(face)) }))
    .filter(({ faces }) => faces.length > 0);
  return hold.size > 0 ? [...left, { faces: [...hold] }] : left;
}
