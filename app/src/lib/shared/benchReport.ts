import * as z from 'zod';

/** What a student's bench says of itself for the lesson view; the browser sends it, so it is only shown. */
export const benchReport = z.strictObject({
  /** How many steps the recipe has. */
  steps: z.number().int().min(0).max(10_000),
  /** The verdict of the inspection; null while the recipe cannot be built or nothing was inspected yet. */
  verdict: z.enum(['pass', 'warn', 'fail']).nullable(),
  /** The ids of the checks that fail. */
  failing: z.array(z.string().max(24)).max(40),
  /** How many prompts are done. */
  promptsDone: z.number().int().min(0).max(100),
  /** The id of the first prompt that is not; null when there is none. */
  nextPrompt: z.string().max(12).nullable(),
});
export type BenchReport = z.infer<typeof benchReport>;
