import * as z from 'zod';

/** Why a student wants something that a check fails. */
export const argument = z.strictObject({
  /** The id of the check. */
  check: z.string().max(24),
  words: z.string().trim().min(1, 'Say why it has to be so.').max(400, 'A reason has at most 400 letters.'),
});
export type Argument = z.infer<typeof argument>;

/** What a student says with a hand-in. */
export const saidWithHandIn = z.strictObject({
  note: z.string().trim().max(1000, 'A note has at most 1000 letters.'),
  arguments: z.array(argument).max(40),
});
export type SaidWithHandIn = z.infer<typeof saidWithHandIn>;
