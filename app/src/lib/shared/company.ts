import * as z from 'zod';
import { say } from '@kelbrin/core/words';
import { anchor } from './remark.ts';

/** Where on a bench somebody works: at a part, and at a step of it if one is marked. */
export const whereabouts = z.strictObject({
  partId: z.string().max(10),
  stepId: z.string().max(40).optional(),
});
export type Whereabouts = z.infer<typeof whereabouts>;

/** What a teacher points at: a sentence or a place, with a few words. */
export const pointing = z.strictObject({
  anchor,
  words: z
    .string()
    .trim()
    .min(1, { error: () => say('Write what is to be seen there.') })
    .max(200, { error: () => say('What is said to a place has at most 200 characters.') }),
});
export type Pointing = z.infer<typeof pointing>;

const seat = whereabouts.extend({ name: z.string() });
const pointer = pointing.extend({ teacher: z.string(), partId: z.string(), at: z.string() });

/** Who else is at a project now, and what a teacher points at in it. */
export const company = z.object({ seats: z.array(seat), pointer: pointer.optional() });
export type Company = z.infer<typeof company>;
export type Seat = z.infer<typeof seat>;
export type Pointer = z.infer<typeof pointer>;
