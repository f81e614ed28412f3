import type * as z from 'zod';
import { withUnit } from './amount.ts';
import type { FieldPath, Token } from './sentence.ts';
import { say } from '../words/index.ts';

/**
 * Something that reads as a sentence, with one of its fields put to another value.
 * Returns it, or one sentence that says what the value has to be.
 */
export function withWordedField<T>(
  schema: z.ZodType<T>,
  of: T,
  tokens: readonly Token[],
  path: FieldPath,
  value: unknown,
): { ok: true; changed: T } | { ok: false; message: string } {
  const changed = structuredClone(of) as Record<string | number, unknown>;
  let at = changed;
  for (const key of path.slice(0, -1)) at = at[key] as typeof at;
  at[path.at(-1)!] = value;
  const parsed = schema.safeParse(changed);
  if (parsed.success) return { ok: true, changed: parsed.data };
  const token = tokens.find((each) => 'path' in each && each.path.join() === path.join());
  return token?.type === 'number'
    ? {
        ok: false,
        message: say('from {min} to {max}', {
          min: withUnit(token.min, token.unit),
          max: withUnit(token.max, token.unit),
        }),
      }
    : { ok: false, message: say('that cannot be chosen') };
}
