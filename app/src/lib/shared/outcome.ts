import * as z from 'zod';
import { say } from '@kelbrin/core/words';

/** What can come of a printed part. */
export const outcomeKinds = [
  'good',
  'sanded',
  'loose',
  'knocked',
  'strings',
  'droop',
  'tight',
  'wobbly',
  'broke',
  'colour',
  'other',
] as const;
export type OutcomeKind = (typeof outcomeKinds)[number];

/** Whether the part can be handed out. */
export function isUsable(outcome: OutcomeKind): boolean {
  return outcome === 'good' || outcome === 'sanded';
}

/** What becomes of a part that failed: it is printed again as it is, its student changes it, or its teacher decides. */
export const afterFailure = z.enum(['again', 'student', 'teacher']);
export type AfterFailure = z.infer<typeof afterFailure>;

/**
 * Sizes as somebody writes them down who holds a part and a calliper: left to right, front to back and up, as many as
 * were measured ("69,8 × 25.1"). Nothing is null.
 */
const measuredMm = z
  .string()
  .trim()
  .max(60)
  .default('')
  .transform((words, context): number[] | null => {
    if (words === '') return null;
    const sizes = words
      .split(/mm|[×x*;\s]+/i)
      .filter((piece) => piece !== '')
      .map((piece) => Number(piece.replace(',', '.')));
    if (sizes.length >= 1 && sizes.length <= 3 && sizes.every((size) => size > 0 && size <= 1000))
      return sizes;
    context.addIssue(
      say('Write the sizes that were measured as up to three numbers, such as 69.8 × 25.1 × 2.4.'),
    );
    return z.NEVER;
  });

/** What is written down of a part when it comes off the plate. */
export const outcomeDraft = z.strictObject({
  outcome: z.enum(outcomeKinds, { error: () => say('Say what came of the part.') }),
  note: z
    .string()
    .trim()
    .max(400, { error: () => say('A note has at most 400 characters.') })
    .default(''),
  next: afterFailure.optional(),
  measuredMm,
});
export type OutcomeDraft = z.infer<typeof outcomeDraft>;

/** The most parts that are on one batch, with room to spare. */
const MOST_PARTS = 400;

/** What came of the parts of a batch, each by its place in the queue. */
export const outcomesDraft = z
  .array(
    outcomeDraft.extend({
      entry: z.string(),
      /** Whether somebody corrects what they have seen written down; otherwise nothing is written over. */
      isCorrection: z.boolean().default(false),
    }),
  )
  .min(1, { error: () => say('Say of at least one part what came of it.') })
  .max(MOST_PARTS);
export type OutcomesDraft = z.infer<typeof outcomesDraft>;
