import * as z from 'zod';

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

/** What to do with a part that failed: print it again as it is, or have its student change it. */
export const afterFailure = z.enum(['again', 'student']);
export type AfterFailure = z.infer<typeof afterFailure>;

/** What is written down of a part when it comes off the plate. */
export const outcomeDraft = z.strictObject({
  outcome: z.enum(outcomeKinds, 'Say what came of the part.'),
  note: z.string().trim().max(400, 'A note has at most 400 characters.').default(''),
  next: afterFailure.optional(),
});
export type OutcomeDraft = z.infer<typeof outcomeDraft>;
