import { restingFaces } from '../../mesh/index.ts';
import type { Inspection } from '../../inspect/index.ts';
import { addStep } from '../../recipe/index.ts';
import type { Proposal, RemedyKind } from '../remedy.ts';
import { withFields } from './withFields.ts';
import { say } from '../../words/index.ts';

/** Lays the part on another of its flat faces: the one on which most checks pass. */
export const otherFace: RemedyKind = {
  id: 'otherFace',
  checks: ['size', 'base', 'overhang', 'bridge', 'island', 'stability', 'wall'],
  *proposals({ recipe, now, tried }): Generator<Proposal, void, boolean> {
    const laid = restingFaces(now.mesh)
      .filter(({ normal }) => normal[2] > -0.999)
      .map(({ normal, areaMm2 }) => {
        const added = addStep(recipe, 'setDown');
        const changed = withFields(added, added.steps.at(-1)!.id, { face: { normal: [...normal] } });
        return {
          words: say('Lay it on its face of {areaMm2} mm²', { areaMm2: Math.round(areaMm2) }),
          recipe: changed,
        };
      });
    const ranked = laid
      .map((proposal) => ({ proposal, marks: marksOf(tried(proposal.recipe)?.inspection) }))
      .sort((a, b) => a.marks - b.marks);
    for (const { proposal } of ranked) yield proposal;
  },
};

/** Failing checks count most, warnings a little. */
function marksOf(inspection: Inspection | undefined): number {
  const marks = { pass: 0, warn: 1, fail: 10 };
  return inspection ? inspection.checks.reduce((sum, { verdict }) => sum + marks[verdict], 0) : Infinity;
}
