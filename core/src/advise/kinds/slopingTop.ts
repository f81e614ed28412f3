import { facesSideways, setField, type Step } from '../../recipe/index.ts';
import type { Proposal, Remedy, RemedyKind } from '../remedy.ts';
import { numbered } from './words.ts';
import { say } from '../../words/index.ts';

type Cut = Extract<Step, { kind: 'extrude' }>;

/** Level tops are shorter than the longest bridge by this share. */
const SPARE = 0.9;
/** Slopes are steeper than the limit by so much, °. */
const SPARE_DEG = 3;

/** Lets what is cut from a side close above with slopes, so that no roof has to be drawn through the air. */
export const slopingTop: RemedyKind = {
  id: 'slopingTop',
  checks: ['overhang', 'bridge'],
  *proposals({ recipe, finding, limits }): Generator<Proposal, void, Remedy | undefined> {
    // Once the part is set down on another face, up is no longer up.
    if (recipe.steps.some((step) => step.kind === 'setDown' && step.face && !step.off)) return;
    for (const step of recipe.steps) {
      if (!finding.steps.includes(step.id)) continue;
      if (step.kind === 'hole' && !step.roof) {
        const edited = setField(recipe, step.id, ['roof'], 'sloping');
        const words = say('{step}, let the hole close with a sloping roof', {
          step: numbered(recipe, step.id),
        });
        if (edited.ok) yield { words, recipe: edited.recipe, cost: 1.2 };
      }
      if (step.kind !== 'extrude' || step.effect !== 'cut') continue;
      const outline = slopedOutline(step, limits.maxBridgeMm, limits.maxOverhangDeg);
      const edited = outline && setField(recipe, step.id, ['outline'], outline);
      if (!edited?.ok) continue;
      yield {
        words: say('{step}, slope the top corners of the opening, so that it closes like an arch', {
          step: numbered(recipe, step.id),
        }),
        recipe: edited.recipe,
        cost: 1.5,
      };
    }
  },
};

/** A rectangle with its two upper corners cut off, so that what is level above is no wider than a bridge may be. */
function slopedOutline({ outline, facing }: Cut, maxBridgeMm: number, maxOverhangDeg: number) {
  if (!facesSideways(facing) || outline.shape !== 'roundedRectangle') return undefined;
  const { widthMm, depthMm } = outline;
  if (typeof widthMm !== 'number' || typeof depthMm !== 'number') return undefined;
  const topMm = Math.floor(10 * SPARE * maxBridgeMm) / 10;
  const lean = (Math.PI / 180) * (maxOverhangDeg - SPARE_DEG);
  const slopeMm = (widthMm - topMm) / 2 / Math.tan(lean);
  if (slopeMm <= 0 || slopeMm >= depthMm) return undefined;
  const [right, top] = [widthMm / 2, depthMm / 2];
  const shoulder = Math.round(100 * (top - slopeMm)) / 100;
  const half = topMm / 2;
  const nodes = [
    [-right, -top],
    [right, -top],
    [right, shoulder],
    [half, top],
    [-half, top],
    [-right, shoulder],
  ].map(([xMm, yMm]) => ({ xMm, yMm }));
  return { shape: 'points', nodes, closed: true, smooth: false, mirrored: false };
}
