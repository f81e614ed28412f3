import * as z from 'zod';
import { LONGEST_NAME } from './studentList.ts';
import { say } from '@kelbrin/core/words';

/** A shorter password is guessed. */
export const SHORTEST_PASSWORD = 10;

/** What somebody says of themselves who begins a new Kelbrin. */
export const firstTeacherDraft = z.object({
  code: z.string().trim(),
  name: z
    .string()
    .trim()
    .min(1, { error: () => say('Say what your students call you.') })
    .max(LONGEST_NAME, {
      error: () => say('The name is longer than {most} characters.', { most: LONGEST_NAME }),
    }),
  email: z
    .string()
    .trim()
    .toLowerCase()
    .pipe(
      z
        .email({ error: () => say('That is no e-mail address.') })
        .max(200, { error: () => say('The e-mail address is too long.') }),
    ),
  password: z
    .string()
    .min(SHORTEST_PASSWORD, {
      error: () => say('The password needs at least {least} characters.', { least: SHORTEST_PASSWORD }),
    })
    .max(128, { error: () => say('The password is longer than 128 characters.') }),
});
export type FirstTeacherDraft = z.infer<typeof firstTeacherDraft>;
