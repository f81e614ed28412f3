import { setField } from '../../recipe/index.ts';
import type { Proposal, Remedy, RemedyKind } from '../remedy.ts';
import { numbered } from './words.ts';
import { say } from '../../words/index.ts';

/** Shares of their height that letters are made smaller by, if they do not fit into what is free. */
const SHARES = [1, 0.92, 0.85, 0.78, 0.71, 0.65, 0.6, 0.55];

/** What it costs to make letters smaller by all of their height. */
const PER_SHARE = 0.5;

/** Centres letters in what is free of the face they are on, smaller if need be, so that they run into nothing. */
export const inFreePlace: RemedyKind = {
  id: 'inFreePlace',
  checks: ['relief', 'hole', 'wall', 'bodies', 'overhang', 'island'],
  *proposals({ recipe, finding }): Generator<Proposal, void, Remedy | undefined> {
    for (const step of recipe.steps) {
      if (step.kind !== 'letters' || !finding.steps.includes(step.id) || 'plate' in step.placement.on)
        continue;
      const { size: own } = step.lettering;
      // What is as large as fits is in what is free.
      if (own.by === 'room') continue;
      const { mm } = own;
      for (const share of SHARES) {
        if (typeof mm !== 'number' && share < 1) break;
        const placed = setField(recipe, step.id, ['free'], step.free ?? { marginMm: 1 });
        if (!placed.ok) break;
        const size = typeof mm === 'number' ? Math.floor(10 * share * mm) / 10 : mm;
        const edited = setField(placed.recipe, step.id, ['lettering', 'size', 'mm'], size);
        if (!edited.ok || (share === 1 && step.free)) continue;
        const smaller =
          share < 1
            ? own.by === 'height'
              ? say(', {sizeMm} mm tall', { sizeMm: size as number })
              : say(', {sizeMm} mm wide', { sizeMm: size as number })
            : '';
        yield {
          words: say('{step}, centre the letters in what is free{smaller}', {
            step: numbered(recipe, step.id),
            smaller,
          }),
          recipe: edited.recipe,
          cost: 1.1 + PER_SHARE * (1 - share),
        };
      }
    }
  },
};
