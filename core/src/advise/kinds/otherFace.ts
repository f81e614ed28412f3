import { restingFaces, type Vec3 } from '../../mesh/index.ts';
import { addStep, sideWords } from '../../recipe/index.ts';
import type { Proposal, Remedy, RemedyKind } from '../remedy.ts';
import { withFields } from './withFields.ts';
import { say } from '../../words/index.ts';

/** More than a small change of a number, but the part stays as it is. */
const COST = 1.15;
/** Of faces that are alike the larger one is tried first. */
const PER_PLACE = 0.02;

/** The words that say on which face, by its side where it lies square to one. */
function layWords(normal: Vec3, areaMm2: number): string {
  const side = sideWords(normal);
  return side
    ? say('Lay it on {side}', { side })
    : say('Lay it on its slanting face of {areaMm2} mm²', { areaMm2: Math.round(areaMm2) });
}

/** Lays the part on another of its flat faces that would hold on to the plate, the largest first. */
export const otherFace: RemedyKind = {
  id: 'otherFace',
  checks: ['size', 'base', 'overhang', 'bridge', 'island', 'stability', 'wall'],
  *proposals({ recipe, limits, now }): Generator<Proposal, void, Remedy | undefined> {
    const faces = restingFaces(now.mesh).filter(
      ({ normal, areaMm2 }) => normal[2] > -0.999 && areaMm2 >= limits.minBaseMm2,
    );
    for (const [place, { normal, areaMm2 }] of faces.entries()) {
      const added = addStep(recipe, 'setDown');
      yield {
        words: layWords(normal, areaMm2),
        recipe: withFields(added, added.steps.at(-1)!.id, { face: { normal: [...normal] } }),
        cost: COST + PER_PLACE * place,
      };
    }
  },
};
