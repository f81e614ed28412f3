import type { Point } from '../../plane/index.ts';
import type { Faces, SolidMesh } from '../../mesh/index.ts';

/** A surface this low lies on the plate: a twentieth of a layer, yet above the rounding of a turned mesh. */
export const CONTACT_MM = 0.01;

/** A face this close to level lies flat: the next facet of a rod lying down is steeper. */
const LEVEL = Math.cos((1 * Math.PI) / 180);

/** Whether a triangle faces down and lies on the plate, so that it is neither an overhang nor in mid-air. */
export function restsOnPlate({ positions, triangles }: SolidMesh, { normals }: Faces, face: number): boolean {
  if (normals[3 * face + 2] > -LEVEL) return false;
  for (let k = 0; k < 3; k++) if (positions[3 * triangles[3 * face + k] + 2] > CONTACT_MM) return false;
  return true;
}

/** The faces of a part that lie on the plate. */
export function contactOf(mesh: SolidMesh, faces: Faces): number[] {
  const contact: number[] = [];
  for (let f = 0; f < faces.areas.length; f++) if (restsOnPlate(mesh, faces, f)) contact.push(f);
  return contact;
}

/** The corners of faces as seen from above. */
export function seenFromAbove({ positions, triangles }: SolidMesh, faces: readonly number[]): Point[] {
  return faces.flatMap((face) =>
    [0, 1, 2].map((k): Point => {
      const vertex = 3 * triangles[3 * face + k];
      return [positions[vertex], positions[vertex + 1]];
    }),
  );
}
