import { setField, setFields } from '../../recipe/index.ts';
import type { Proposal, Remedy, RemedyKind } from '../remedy.ts';
import { numbered } from './words.ts';
import { say } from '../../words/index.ts';

/** Radii to try, the smallest first, mm. */
const RADII_MM = [1, 2, 3];

/** Rounds the corners of an outline, or chamfers an edge, so that nothing pricks. */
export const roundCorners: RemedyKind = {
  id: 'roundCorners',
  checks: ['comfort', 'brief'],
  *proposals({ recipe, finding, brief }): Generator<Proposal, void, Remedy | undefined> {
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
            cost: 1.1 + mm / 20,
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
            cost: 1.1 + mm / 20,
          };
      }
      for (const mm of RADII_MM) {
        const both = setFields(recipe, step.id, [
          { path: ['rounding'], value: { outerMm: mm, innerMm: step.rounding?.innerMm ?? 0 } },
          { path: ['top'], value: { finish: 'fillet', mm } },
        ]);
        if (both.ok)
          yield {
            words: say('{step}, round the corners and the top edge by {mm} mm', {
              step: numbered(recipe, step.id),
              mm,
            }),
            recipe: both.recipe,
            cost: 1.3 + mm / 20,
          };
      }
    }
  },
};
