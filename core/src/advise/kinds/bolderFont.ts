import { fontNames, thinnestStroke, type FontName } from '../../letters/index.ts';
import { setField } from '../../recipe/index.ts';
import type { Proposal, Remedy, RemedyKind } from '../remedy.ts';
import { numbered } from './words.ts';
import { say } from '../../words/index.ts';

/** Writes in a font with thicker strokes, the next bolder one first. */
export const bolderFont: RemedyKind = {
  id: 'bolderFont',
  checks: ['wall', 'gap', 'bodies', 'stability'],
  *proposals({ recipe, finding }): Generator<Proposal, void, Remedy | undefined> {
    for (const step of recipe.steps) {
      if (step.kind !== 'letters' || !finding.steps.includes(step.id)) continue;
      const strokeOf = (font: FontName) => thinnestStroke(font, step.lettering.words);
      const own = strokeOf(step.lettering.font);
      const bolder = (Object.keys(fontNames) as FontName[])
        .filter((font) => strokeOf(font) > own)
        .sort((a, b) => strokeOf(a) - strokeOf(b));
      for (const font of bolder) {
        const edited = setField(recipe, step.id, ['lettering', 'font'], font);
        if (edited.ok)
          yield {
            words: say('{step}, write in {font}', {
              step: numbered(recipe, step.id),
              font: fontNames[font],
            }),
            recipe: edited.recipe,
            cost: 1.4,
          };
      }
    }
  },
};
