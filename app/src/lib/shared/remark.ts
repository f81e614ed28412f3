import * as z from 'zod';
import { say } from '@kelbrin/core/words';

const coordinate = z.number().min(-2000).max(2000);

/** Where a remark stands: at a sentence of the recipe, or at a point on the part, mm. */
export const anchor = z.union([
  z.strictObject({ step: z.string().max(40) }),
  z.strictObject({ at: z.tuple([coordinate, coordinate, coordinate]) }),
]);
export type Anchor = z.infer<typeof anchor>;

/** A remark as it is written. */
export const remarkDraft = z.strictObject({
  words: z
    .string()
    .trim()
    .min(1, { error: () => say('Write the remark first.') })
    .max(600, { error: () => say('A remark has at most 600 characters.') }),
  anchor,
});
export type RemarkDraft = z.infer<typeof remarkDraft>;
