import { setField } from '../../recipe/index.ts';
import type { Proposal, RemedyKind } from '../remedy.ts';
import { numbered } from './words.ts';
import { say } from '../../words/index.ts';

/** Radii to try, the smallest first, mm. */
const RADII_MM = [1, 2, 3];

/** Rounds the corners of an outline, or chamfers an edge, so that nothing pricks. */
export const roundCorners: RemedyKind = {
  id: 'roundCorners',
  checks: ['comfort', 'brief'],
  *proposals({ recipe, finding, brief }): Generator<Proposal, void, boolean> {
    const asked = finding.requirement === undefined ? undefined : brief?.requirements?.[finding.requirement];
    if (asked && asked.kind !== 'rounded') return;
    for (const step of recipe.steps) {
      if (step.kind !== 'extrude' || !finding.steps.includes(step.id)) continue;
      for (const mm of RADII_MM) {
        const rounded = setField(recipe, step.id, ['rounding'], {
          outerMm: mm,
          innerMm: step.rounding?.innerMm ?? 0,
        });
        if (rounded.ok)
          yield {
            words: say('{step}, round the corners by {mm} mm', {
              step: numbered(recipe, step.id),
              mm,
            }),
            recipe: rounded.recipe,
          };
      }
      for (const mm of RADII_MM) {
        const eased = setField(recipe, step.id, ['top'], { finish: 'fillet', mm });
        if (eased.ok)
          yield {
            words: say('{step}, round the top edge by {mm} mm', {
              step: numbered(recipe, step.id),
              mm,
            }),
            recipe: eased.recipe,
          };
      }
    }
  },
};
