import { addStep } from '../../recipe/index.ts';
import type { Proposal, Remedy, RemedyKind } from '../remedy.ts';
import { withFields } from './withFields.ts';
import { say } from '../../words/index.ts';

/** Less than all the room, so that a skirt fits around it. */
const SHARE = 0.94;
const AXES = ['x', 'y', 'z'] as const;

/** Scales the whole part until it fits, if its details survive that. */
export const scaleToFit: RemedyKind = {
  id: 'scaleToFit',
  checks: ['size'],
  *proposals({ recipe, limits, now }): Generator<Proposal, void, Remedy | undefined> {
    const { sizeMm } = now.inspection.part;
    const share = Math.min(...sizeMm.map((mm, axis) => (SHARE * limits.buildVolumeMm[axis]) / mm));
    if (share >= 1) return;
    const axis = sizeMm.indexOf(Math.max(...sizeMm));
    const mm = Math.floor(share * sizeMm[axis]);
    const added = addStep(recipe, 'scale');
    yield {
      words: [
        say('Scale the whole part until it is {mm} mm wide', { mm }),
        say('Scale the whole part until it is {mm} mm deep', { mm }),
        say('Scale the whole part until it is {mm} mm tall', { mm }),
      ][axis],
      recipe: withFields(added, added.steps.at(-1)!.id, { to: { by: 'length', axis: AXES[axis], mm } }),
      cost: 2.5,
    };
  },
};
