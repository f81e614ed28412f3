import * as z from 'zod';
import { say } from '@kelbrin/core/words';

/** Why a student wants something that a check fails. */
export const argument = z.strictObject({
  /** The id of the check. */
  check: z.string().max(24),
  words: z
    .string()
    .trim()
    .min(1, { error: () => say('Write why it should stay like this.') })
    .max(400, { error: () => say('A reason has at most 400 characters.') }),
});
export type Argument = z.infer<typeof argument>;

/** What a student says with a hand-in. */
export const saidWithHandIn = z.strictObject({
  note: z
    .string()
    .trim()
    .max(1000, { error: () => say('A note has at most 1000 characters.') }),
  arguments: z.array(argument).max(40),
});
export type SaidWithHandIn = z.infer<typeof saidWithHandIn>;
