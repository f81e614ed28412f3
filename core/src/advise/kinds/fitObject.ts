import { setField } from '../../recipe/index.ts';
import type { Proposal, Remedy, RemedyKind } from '../remedy.ts';
import { numbered } from './words.ts';
import { say } from '../../words/index.ts';

/** Sizes a hole for the object that the brief wants it to hold. */
export const fitObject: RemedyKind = {
  id: 'fitObject',
  checks: ['brief'],
  *proposals({ recipe, finding, brief }): Generator<Proposal, void, Remedy | undefined> {
    const asked = brief?.requirements?.[finding.requirement!];
    if (asked?.kind !== 'object') return;
    const { acrossMm, fit } = asked;
    for (const step of recipe.steps) {
      if (step.kind !== 'hole' || !finding.steps.includes(step.id)) continue;
      const sized = setField(recipe, step.id, ['size'], { by: 'fit', mm: acrossMm, fit });
      const words = say('{step}, size the hole to fit an object of Ø {acrossMm} mm, {fit}', {
        step: numbered(recipe, step.id),
        acrossMm,
        fit,
      });
      if (sized.ok) yield { words, recipe: sized.recipe, cost: 1 };
    }
  },
};
