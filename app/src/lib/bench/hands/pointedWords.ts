import { facesOf, type SolidMesh } from '@kelbrin/core/mesh';
import { edgeNameWords, sideFacing, stepWords, type Facing, type OfferedEdge, type Step } from '@kelbrin/core/recipe'; // oxfmt-ignore
import type { PointedAt } from '../../ui/solidView/pointedAt';
import { planTexts as say } from '../../texts/plan';

const SIDES = { up: 'upper', down: 'lower', front: 'front', back: 'back', left: 'left', right: 'right' } as const satisfies Record<Facing, string>; // oxfmt-ignore

/** What a pointer points at on the solid, in the words of its recipe: a side of a step, or an edge that can be chosen. */
export function pointedWords(
  { triangle, edge }: PointedAt,
  mesh: SolidMesh,
  steps: readonly Step[],
  offered: readonly OfferedEdge[] = [],
): string | undefined {
  if (edge !== undefined) return offered[edge] && edgeNameWords(offered[edge].name, steps);
  const step = triangle === undefined ? undefined : mesh.stepOf?.[triangle];
  if (triangle === undefined || step === undefined || !steps[step]) return undefined;
  const { normals } = facesOf(mesh);
  const side = sideFacing([normals[3 * triangle], normals[3 * triangle + 1], normals[3 * triangle + 2]]);
  const name = stepWords(steps, step);
  return side ? say.sideOf(SIDES[side], name) : name;
}
