import { regionAreaOf } from '../../plane/index.ts';
import { boundsOf, sectionAt, sizeOf } from '../../mesh/index.ts';
import { addStep } from '../../recipe/index.ts';
import type { Proposal, RemedyKind } from '../remedy.ts';
import { withFields } from './withFields.ts';
import { say } from '../../words/index.ts';

/** A little more than needed, since the area is that of a polygon. */
const MARGIN = 1.08;
/** Heights that are looked at, as steps of this, mm; more than half of a part is not cut away. */
const STEP_MM = 0.1;

/** Cuts a flat base at the least height at which the section has the area that is needed. */
export const trimToBase: RemedyKind = {
  id: 'trimToBase',
  checks: ['base', 'stability', 'overhang'],
  *proposals({ recipe, limits, now }): Generator<Proposal, void, boolean> {
    const { min } = boundsOf(now.mesh);
    const tallMm = sizeOf(boundsOf(now.mesh))[2];
    const needed = MARGIN * limits.minBaseMm2;
    for (let mm = STEP_MM; mm < tallMm / 2; mm += STEP_MM) {
      const atMm = Math.round(10 * mm) / 10;
      const areaMm2 = regionAreaOf(sectionAt(now.mesh, min[2] + atMm).map(({ points }) => points));
      if (areaMm2 < needed) continue;
      // A lower cut may leave walls that lean too far; higher ones are tried as well.
      for (const higher of [1, 1.5, 2, 3]) {
        const height = Math.round(10 * higher * atMm) / 10;
        if (height >= tallMm / 2) return;
        const added = addStep(recipe, 'trim');
        const trimmed = withFields(added, added.steps.at(-1)!.id, { away: 'below', atMm: height });
        yield {
          words: say('Trim off the lowest {height} mm, for a flat base of {areaMm2} mm² or more', {
            height,
            areaMm2: Math.round(areaMm2),
          }),
          recipe: trimmed,
        };
      }
      return;
    }
  },
};
