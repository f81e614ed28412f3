import * as z from 'zod';
import { guidance } from '@kelbrin/core/guide';
import { briefRules } from '@kelbrin/core/inspect';

/** What a teacher writes of a brief. */
export const briefDraft = z.strictObject({
  title: z.string().trim().min(1, 'give it a title').max(80, 'a title has at most 80 letters'),
  task: z.string().trim().max(4000, 'a task has at most 4000 letters'),
  dueOn: z.iso.date('that is no date').nullable(),
  rules: briefRules,
  guidance,
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
    title: 'Title',
    task: 'Task',
    dueOn: 'Due date',
    rules: 'Requirements',
    guidance: 'Prompts',
  };
  return { ok: false, message: `${words[String(path[0])] ?? 'The brief'}: ${message}.` };
}
