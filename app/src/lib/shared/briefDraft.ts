import * as z from 'zod';
import { guidance } from '@kelbrin/core/guide';
import { briefRules } from '@kelbrin/core/inspect';
import { parseRecipe, type Recipe } from '@kelbrin/core/recipe';
import { taskText } from './taskText.ts';
import { say } from '@kelbrin/core/words';

export const MOST_COPIES = 20;

/** A recipe that is read as the core reads it, or none. */
const starter = z.unknown().transform((data, context): Recipe | null => {
  if (data === null) return null;
  const parsed = parseRecipe(data);
  if (parsed.ok) return parsed.recipe;
  context.addIssue({ code: 'custom', message: parsed.problem.message });
  return z.NEVER;
});

/** What a teacher writes of a brief. */
export const briefDraft = z.strictObject({
  title: z
    .string()
    .trim()
    .min(1, { error: () => say('give it a title') })
    .max(80, { error: () => say('a title has at most 80 characters') }),
  task: taskText,
  dueOn: z.iso.date({ error: () => say('that is no date') }).nullable(),
  rules: briefRules,
  guidance,
  starter,
  /** Whether the bench speaks in plain words, as for young students. */
  plainWords: z.boolean().default(false),
  copies: z
    .int({ error: () => say('say how many') })
    .min(1, { error: () => say('each part is printed once at least') })
    .max(MOST_COPIES, {
      error: () => say('each part is printed {most} times at most', { most: MOST_COPIES }),
    }),
});
export type BriefDraft = z.infer<typeof briefDraft>;

/** Reads a brief from untrusted data; returns it, or one sentence that names the field and what is wrong with it. */
export function readBriefDraft(
  data: unknown,
): { ok: true; draft: BriefDraft } | { ok: false; message: string } {
  const parsed = briefDraft.safeParse(data);
  if (parsed.success) return { ok: true, draft: parsed.data };
  const { path, message } = parsed.error.issues[0];
  const words: Record<string, string> = {
    title: say('Title'),
    task: say('Task'),
    dueOn: say('Due date'),
    rules: say('Requirements'),
    guidance: say('Prompts'),
    starter: say('What students begin with'),
    plainWords: say('Plain words'),
    copies: say('Copies'),
  };
  return { ok: false, message: `${words[String(path[0])] ?? say('The brief')}: ${message}.` };
}

/** What a brief says, apart from when it is due and for whom it is set. */
export function sayingOf<T extends Omit<BriefDraft, 'dueOn'>>({
  title,
  task,
  rules,
  guidance,
  starter,
  plainWords,
  copies,
}: T) {
  return { title, task, rules, guidance, starter, plainWords, copies };
}
