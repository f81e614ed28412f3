import { addStep } from '../../recipe/index.ts';
import type { Proposal, Remedy, RemedyKind } from '../remedy.ts';
import { withFields } from './withFields.ts';
import { say } from '../../words/index.ts';

/** Turns the part on the plate, by a quarter first and then at a slant, so that it fits. */
export const turnOnPlate: RemedyKind = {
  id: 'turnOnPlate',
  checks: ['size'],
  *proposals({ recipe }): Generator<Proposal, void, Remedy | undefined> {
    for (const deg of [90, 45, 40, 35, 50, 30, 55]) {
      const added = addStep(recipe, 'setDown');
      yield {
        words: say('Turn it by {deg}° on the plate', { deg }),
        recipe: withFields(added, added.steps.at(-1)!.id, { turnDeg: deg }),
        cost: 1.1,
      };
    }
  },
};
