import * as z from 'zod';
import { LONGEST_NAME } from './studentList.ts';

/** A shorter password is guessed. */
export const SHORTEST_PASSWORD = 10;

/** What somebody says of themselves who begins a new Kelbrin. */
export const firstTeacherDraft = z.object({
  code: z.string().trim(),
  name: z
    .string()
    .trim()
    .min(1, 'Say what your students call you.')
    .max(LONGEST_NAME, `The name is longer than ${LONGEST_NAME} characters.`),
  email: z
    .string()
    .trim()
    .toLowerCase()
    .pipe(z.email('That is no e-mail address.').max(200, 'The e-mail address is too long.')),
  password: z
    .string()
    .min(SHORTEST_PASSWORD, `The password needs at least ${SHORTEST_PASSWORD} characters.`)
    .max(128, 'The password is longer than 128 characters.'),
});
export type FirstTeacherDraft = z.infer<typeof firstTeacherDraft>;
