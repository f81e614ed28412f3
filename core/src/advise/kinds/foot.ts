import { boundsOf } from '../../mesh/index.ts';
import { addStep } from '../../recipe/index.ts';
import type { Proposal, Remedy, RemedyKind } from '../remedy.ts';
import { withFields } from './withFields.ts';
import { say } from '../../words/index.ts';

/** As thin as the card allows, so that it is cut off easily; a little more, so that it does not only just pass. */
const THICK = 1.08;

/** Puts a round foot under the part, large enough to hold on to the plate. */
export const foot: RemedyKind = {
  id: 'foot',
  checks: ['base', 'stability'],
  *proposals({ recipe, limits, now }): Generator<Proposal, void, Remedy | undefined> {
    const { min, max } = boundsOf(now.mesh);
    const least = Math.sqrt((4 * 1.1 * limits.minBaseMm2) / Math.PI);
    const narrow = Math.min(max[0] - min[0], max[1] - min[1]);
    for (const diameter of [least, narrow + 6, narrow + 12].map(Math.ceil)) {
      if (diameter < least) continue;
      const added = addStep(recipe, 'extrude');
      const heightMm = Math.ceil(10 * THICK * limits.minWallMm) / 10;
      const at = (low: number, high: number) => ({
        relation: 'at',
        own: 'middle',
        mm: Math.round(50 * (low + high)) / 100,
      });
      const recipeWithFoot = withFields(added, added.steps.at(-1)!.id, {
        name: say('foot'),
        outline: { shape: 'circle', diameterMm: diameter },
        depth: { type: 'by', mm: heightMm },
        placement: {
          on: { plate: true },
          x: at(min[0], max[0]),
          y: at(min[1], max[1]),
          z: { relation: 'at', own: 'low', mm: 0 },
        },
      });
      yield {
        words: say('Add a foot of Ø {diameter} mm under it, {heightMm} mm high', { diameter, heightMm }),
        recipe: recipeWithFoot,
        cost: 2.5,
      };
    }
  },
};
