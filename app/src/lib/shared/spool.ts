import * as z from 'zod';

/** A new roll as it says on its label. */
export const spoolDraft = z.strictObject({
  material: z.string().trim().min(1, 'Say what it is made of, such as PLA.').max(24),
  colour: z.string().regex(/^#[0-9a-f]{6}$/i, 'Choose a colour.'),
  colourName: z.string().trim().min(1, 'Say what the colour is called.').max(40),
  gramsLeft: z.coerce
    .number('Say how many grams there are on it.')
    .min(0, 'A spool cannot hold less than nothing.')
    .max(10_000, 'A spool holds at most 10 kg.'),
  /** What a kilogram cost; a form leaves it empty where nobody knows. */
  pricePerKg: z.preprocess(
    (given) => (given === '' || given === undefined ? null : given),
    z.coerce
      .number('Say what a kilogram cost as a number.')
      .min(0, 'A price cannot be less than nothing.')
      .max(10_000, 'That is too much for a kilogram.')
      .nullable(),
  ),
});

/** Below this many grams a roll should be watched. */
const LOW_GRAMS = 100;

/** Whether a roll runs out soon. */
export function runsLow({ gramsLeft }: { readonly gramsLeft: number }): boolean {
  return gramsLeft < LOW_GRAMS;
}
