import { setField } from '../../recipe/index.ts';
import { sizeOf, boundsOf } from '../../mesh/index.ts';
import type { Proposal, RemedyKind } from '../remedy.ts';
import { numbered } from './words.ts';
import { say } from '../../words/index.ts';

/** Puts a slope under a ledge, so that each layer reaches out only a little further than the one before. */
export const chamferUnder: RemedyKind = {
  id: 'chamferUnder',
  checks: ['overhang', 'bridge'],
  *proposals({ recipe, finding, now }): Generator<Proposal, void, boolean> {
    const [x, y, z] = sizeOf(boundsOf(now.mesh));
    const most = Math.min(x, y, z) / 2;
    for (const step of recipe.steps) {
      if (step.kind !== 'extrude' || step.effect !== 'add' || !finding.steps.includes(step.id)) continue;
      const height = step.depth.type === 'by' && typeof step.depth.mm === 'number' ? step.depth.mm : most;
      for (const share of [0.3, 0.5, 0.7, 0.85, 0.95, 1]) {
        const mm = Math.floor(20 * share * height) / 20;
        const edited = setField(recipe, step.id, ['bottom'], { finish: 'chamfer', mm });
        if (!edited.ok) continue;
        yield {
          words: say('{step}, chamfer the bottom edge {mm} mm', {
            step: numbered(recipe, step.id),
            mm,
          }),
          recipe: edited.recipe,
        };
      }
    }
  },
};
