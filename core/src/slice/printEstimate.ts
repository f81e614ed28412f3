import * as z from 'zod';

/** What a print takes. */
export const printEstimate = z.strictObject({
  seconds: z.number(),
  filamentMm: z.number(),
  grams: z.number(),
  /** The grams of each filament, in the order in which they are loaded; one unless the colour changes. */
  colourGrams: z.array(z.number()).readonly(),
  layers: z.int(),
  /** What of it goes into supports; left out where there are none. */
  supports: z.strictObject({ seconds: z.number(), grams: z.number() }).optional(),
});
export type Estimate = Readonly<z.infer<typeof printEstimate>>;
