import * as z from 'zod';
import { distance } from '../amount.ts';
import { stepRef } from '../placement.ts';
import { choice, millimetres, missingStepWords, stepWords, text } from '../sentence.ts';
import type { OutlineKind } from './outlineKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({ shape: z.literal('ofStep'), of: stepRef, growMm: distance() });

/** The outline of an earlier step, grown or shrunk: for borders and lids. */
export const ofStep: OutlineKind<z.infer<typeof schema>> = {
  shape: 'ofStep',
  get label() {
    return say('an outline like that');
  },
  get words() {
    return say('same copy offset rim border');
  },
  create: () => ({ shape: 'ofStep', of: { step: 's1' }, growMm: -2 }),
  tokens({ of, growMm }, path, { recipe, index }) {
    const options = recipe.steps
      .slice(0, index)
      .map(({ id }, i) => ({ label: stepWords(recipe.steps, i), value: { step: id } }));
    if (!options.some(({ value }) => value.step === of.step)) {
      options.push({ label: missingStepWords(recipe.steps, of.step), value: of });
    }
    return [
      text('of'),
      choice([...path, 'of'], 'whose outline', options, ({ value }) => (value as typeof of).step === of.step),
      text(', grown by'),
      millimetres([...path, 'growMm'], growMm, 'how much larger, negative for smaller', {
        min: -1000,
        nudge: 0.2,
      }),
    ];
  },
  region({ of, growMm }, kit) {
    const own = kit.outlineOf(of);
    const region = growMm === 0 ? own : kit.grown(own, growMm, 'sharp');
    if (region.length === 0)
      kit.fail(['growMm'], say('Shrunk by so much, nothing is left of the outline: take less off.'));
    return region;
  },
};
