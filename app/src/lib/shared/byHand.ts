import * as z from 'zod';
import { say } from '@kelbrin/core/words';

/** Why a print failed, as the person says who stands at the printer. */
export const failureDraft = z
  .string()
  .trim()
  .min(1, { error: () => say('Say in a few words what went wrong.') })
  .max(300, { error: () => say('Say it in 300 characters or less.') });
