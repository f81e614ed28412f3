import type { Toolpath } from './paths/toolpath.ts';
import type { Estimate } from './printEstimate.ts';

/** What a print takes, as an inspection asks for it. */
export function printNeeds({ seconds, grams, supports }: Estimate, notes: Toolpath['supports']) {
  return {
    minutes: seconds / 60,
    grams,
    ...(notes
      ? {
          supports: {
            minutes: (supports?.seconds ?? 0) / 60,
            grams: supports?.grams ?? 0,
            ...notes,
          },
        }
      : {}),
  };
}
