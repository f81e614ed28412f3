import { boundsOf, facesOf, sizeOf, topologyOf, type SolidMesh } from '../../mesh/index.ts';
import { setField } from '../../recipe/index.ts';
import type { Proposal, Remedy, RemedyKind } from '../remedy.ts';
import { numbered } from './words.ts';
import { say } from '../../words/index.ts';

/** Shares of what is highest to try where the ledge does not say how far it reaches. */
const SHARES = [0.5, 0.85, 1];

/** Puts a slope under a ledge, so that each layer reaches out only a little further than the one before. */
export const chamferUnder: RemedyKind = {
  id: 'chamferUnder',
  checks: ['overhang', 'bridge'],
  *proposals({ recipe, finding, limits, now }): Generator<Proposal, void, Remedy | undefined> {
    const [x, y, z] = sizeOf(boundsOf(now.mesh));
    const most = Math.min(x, y, z) / 2;
    const reachMm = reachOf(now.mesh, finding.triangles);
    for (const step of recipe.steps) {
      if (step.kind !== 'extrude' || step.effect !== 'add' || !finding.steps.includes(step.id)) continue;
      const height = step.depth.type === 'by' && typeof step.depth.mm === 'number' ? step.depth.mm : most;
      // A ledge may stand out by a line of plastic.
      const sizes = [
        up(reachMm - limits.lineWidthMm),
        up(reachMm),
        ...SHARES.map((share) => down(share * height)),
      ];
      for (const mm of new Set(sizes.filter((size) => size > 0 && size <= height))) {
        const edited = setField(recipe, step.id, ['bottom'], { finish: 'chamfer', mm });
        if (!edited.ok) continue;
        yield {
          words: say('{step}, chamfer the bottom edge {mm} mm', {
            step: numbered(recipe, step.id),
            mm,
          }),
          recipe: edited.recipe,
          cost: 1.2 + mm / 20,
        };
      }
    }
  },
};

/** How far an even ledge of these faces reaches out: twice its area over its outline. */
function reachOf(mesh: SolidMesh, faces: readonly number[]): number {
  const { neighbours } = topologyOf(mesh);
  const { areas } = facesOf(mesh);
  const own = new Set(faces);
  let [area, outline] = [0, 0];
  for (const face of faces) {
    area += areas[face];
    for (let k = 0; k < 3; k++) {
      if (own.has(neighbours[3 * face + k])) continue;
      const [from, to] = [mesh.triangles[3 * face + k], mesh.triangles[3 * face + ((k + 1) % 3)]];
      outline += Math.hypot(
        ...[0, 1, 2].map((i) => mesh.positions[3 * to + i] - mesh.positions[3 * from + i]),
      );
    }
  }
  return outline > 0 ? (2 * area) / outline : 0;
}

const up = (mm: number) => Math.ceil(10 * mm - 1e-6) / 10;
const down = (mm: number) => Math.floor(10 * mm) / 10;
