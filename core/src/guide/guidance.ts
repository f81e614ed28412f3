import * as z from 'zod';
import { condition, holds, type Progress } from './conditions/index.ts';
import { say } from '../words/index.ts';

/** The most prompts that one brief gives; more is a lesson of its own. */
export const MOST_PROMPTS = 20;

/** One short thing to do: "Measure your cane and write it down as a measure." */
export const prompt = z.strictObject({
  /** It is ticked by this name, so that prompts can be reordered and reworded while a class works. */
  id: z.string().regex(/^[a-z0-9]{1,12}$/),
  words: z
    .string()
    .trim()
    .min(1, { error: () => say('say what to do') })
    .max(240, { error: () => say('a prompt has at most 240 letters') }),
  /** Ticks it off by itself; without one the student does. */
  until: condition.optional(),
});
export type Prompt = z.infer<typeof prompt>;

/** The prompts of a brief, in order. */
export const guidance = z
  .array(prompt)
  .max(MOST_PROMPTS, { error: () => say('a brief gives at most {most} prompts', { most: MOST_PROMPTS }) })
  .refine((all) => new Set(all.map(({ id }) => id)).size === all.length, {
    error: () => say('two prompts have the same name'),
  })
  .readonly();
export type Guidance = z.infer<typeof guidance>;

/** Reads prompts from untrusted data; returns them, or one sentence that says which is wrong and how. */
export function parseGuidance(
  data: unknown,
): { ok: true; guidance: Guidance } | { ok: false; message: string } {
  const parsed = guidance.safeParse(data);
  if (parsed.success) return { ok: true, guidance: parsed.data };
  const { path, message } = parsed.error.issues[0];
  const at = typeof path[0] === 'number' ? say('prompt {path}: ', { path: path[0] + 1 }) : '';
  return { ok: false, message: `${at}${message}` };
}

/** How far a student has come through the prompts. */
export interface Standing {
  /** For each prompt whether it is done. */
  readonly done: readonly boolean[];
  /** The first that is not; undefined when all are. */
  readonly next?: number;
}

/**
 * Where a student stands. A prompt with a condition is done while that holds, so that what is undone shows again; one
 * without is done when its id is among `ticked`.
 */
export function standingIn(prompts: Guidance, ticked: ReadonlySet<string>, progress: Progress): Standing {
  const done = prompts.map(({ id, until }) => (until ? holds(until, progress) : ticked.has(id)));
  const next = done.indexOf(false);
  return next < 0 ? { done } : { done, next };
}
