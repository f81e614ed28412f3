import { setField } from '../../recipe/index.ts';
import type { Proposal, Remedy, RemedyKind } from '../remedy.ts';
import { numbered } from './words.ts';
import { say } from '../../words/index.ts';

/** How far under the limit a lean is taken back, °. */
const SPARE_DEG = 3;

/** Has what leans out, lean no further than the printer manages. */
export const leanLess: RemedyKind = {
  id: 'leanLess',
  checks: ['overhang', 'stability'],
  *proposals({ recipe, limits, finding }): Generator<Proposal, void, Remedy | undefined> {
    const most = Math.floor(limits.maxOverhangDeg - SPARE_DEG);
    for (const step of recipe.steps) {
      if (!finding.steps.includes(step.id)) continue;
      for (const deg of [most, Math.floor(most / 2)]) {
        const edited =
          step.kind === 'sweep'
            ? setField(recipe, step.id, ['leanDeg'], deg)
            : step.kind === 'extrude' && step.taperDeg !== undefined
              ? setField(recipe, step.id, ['taperDeg'], -deg)
              : undefined;
        if (edited?.ok)
          yield {
            words: say('{step}, let it lean by {deg}° only', {
              step: numbered(recipe, step.id),
              deg,
            }),
            recipe: edited.recipe,
            cost: 1.1,
          };
      }
    }
  },
};
