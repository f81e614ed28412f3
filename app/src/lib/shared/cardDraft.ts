import * as z from 'zod';
import { limitLabel, limitsCard } from '@kelbrin/core/inspect';
import { say } from '@kelbrin/core/words';

/** What a teacher writes on a limits card. */
export const cardDraft = z.strictObject({
  name: z
    .string()
    .trim()
    .min(1, { error: () => say('say what it is called') })
    .max(80, { error: () => say('it has at most 80 characters') }),
  /** The printers that it is for, as they are called. */
  printerModel: z
    .string()
    .trim()
    .max(60, { error: () => say('it has at most 60 characters') }),
  card: limitsCard.refine(({ layerMm, layerHeightsMm }) => layerHeightsMm.includes(layerMm), {
    path: ['layerHeightsMm'],
    error: () => say('the usual layer height has to be one of them'),
  }),
});
export type CardDraft = z.infer<typeof cardDraft>;

/** Reads a card from untrusted data; returns it, or one sentence that names the field and what is wrong with it. */
export function readCardDraft(
  data: unknown,
): { ok: true; draft: CardDraft } | { ok: false; message: string } {
  const parsed = cardDraft.safeParse(data);
  if (parsed.success) return { ok: true, draft: parsed.data };
  const { path, message } = parsed.error.issues[0];
  const words: Record<string, string> = { name: say('Name'), printerModel: say('Printer model') };
  const field = path[0] === 'card' ? limitLabel(path.slice(1)) : words[String(path[0])];
  return { ok: false, message: `${field || say('The card')}: ${message}.` };
}
