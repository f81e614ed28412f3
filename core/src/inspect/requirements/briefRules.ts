import * as z from 'zod';
import { requirement } from './index.ts';

/** The most that one brief can ask; more is no brief any more. */
const MOST_REQUIREMENTS = 12;

/** What a brief says of the part, beyond the limits card. */
export const briefRules = z.strictObject({
  /** The part may come in several bodies. */
  severalBodies: z.boolean().optional(),
  /** What hangs may be held by supports, where the card allows them. */
  mayBeHeld: z.boolean().optional(),
  /** Small hands will hold it: nothing sharp is let through. */
  forSmallHands: z.boolean().optional(),
  requirements: z.array(requirement).max(MOST_REQUIREMENTS).readonly().optional(),
});
export type BriefRules = Readonly<z.infer<typeof briefRules>>;

/**
 * Reads a brief's rules from untrusted data.
 * Returns the rules, or one sentence that names the field and what is wrong with it.
 */
export function parseBriefRules(
  data: unknown,
): { ok: true; rules: BriefRules } | { ok: false; message: string } {
  const parsed = briefRules.safeParse(data);
  if (parsed.success) return { ok: true, rules: parsed.data };
  const { path, message } = parsed.error.issues[0];
  const at = path.map((key) => (typeof key === 'number' ? key + 1 : String(key)));
  return { ok: false, message: `${at.length > 0 ? `${at.join(' › ')}: ` : ''}${message}` };
}
