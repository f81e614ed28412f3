import * as z from 'zod';
import { firstTeacherDraft } from './firstTeacherDraft.ts';
import { say } from '@kelbrin/core/words';

/** What a colleague writes who was invited. */
export const newcomerDraft = firstTeacherDraft.omit({ code: true });

/** A password that somebody chooses. */
export const passwordField = firstTeacherDraft.shape.password;

/** A PIN that a student chooses: one that is not the first that anybody would guess. */
export const newPinField = z
  .string()
  .regex(/^\d{6}$/, { error: () => say('A PIN has six digits.') })
  .refine((pin) => new Set(pin).size > 2, {
    error: () => say('Take a PIN with more than two different digits.'),
  })
  .refine((pin) => !'01234567890123456789'.includes(pin) && !'98765432109876543210'.includes(pin), {
    error: () => say('Take a PIN whose digits do not simply follow each other.'),
  });
