import * as z from 'zod';
import { numberField, optionalNumberField, type NumberRules } from './number.ts';
import { say } from '@kelbrin/core/words';

/** What a roll can hold, and what a kilogram can cost in the school's money. */
export const spoolGrams: NumberRules = { unit: 'g', min: 0, max: 10_000 };
export const spoolPrice: NumberRules = { min: 0, max: 10_000 };

/** A new roll as it says on its label. */
export const spoolDraft = z.strictObject({
  material: z
    .string()
    .trim()
    .min(1, { error: () => say('Say what it is made of, such as PLA.') })
    .max(24),
  colour: z.string().regex(/^#[0-9a-f]{6}$/i, { error: () => say('Choose a colour.') }),
  colourName: z
    .string()
    .trim()
    .min(1, { error: () => say('Say what the colour is called.') })
    .max(40),
  gramsLeft: numberField(spoolGrams, () => say('Say how many grams there are on it.')),
  /** What a kilogram cost; a form leaves it empty where nobody knows. */
  pricePerKg: optionalNumberField(spoolPrice),
});

/** Below this many grams a roll should be watched. */
const LOW_GRAMS = 100;

/** Whether a roll runs out soon. */
export function runsLow({ gramsLeft }: { readonly gramsLeft: number }): boolean {
  return gramsLeft < LOW_GRAMS;
}
