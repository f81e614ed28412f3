import * as z from 'zod';
import { formatNumber, formula, isFormula, type Amount } from './amount.ts';
import { unitNames, workOut } from './formula.ts';
import type { Problem } from './problem.ts';
import { say } from '../words/index.ts';

/** What a measure may be called: one word, which is not the name of a unit. */
export const measureName = z
  .string()
  .regex(/^[\p{L}_][\p{L}\p{N}_]{0,23}$/u, {
    error: () =>
      say('the name of a measure is one word; it begins with a letter and has at most 24 letters and digits'),
  })
  .refine((name) => !unitNames.includes(name.toLowerCase()), {
    error: ({ input }) => say('“{input}” is a unit; choose another name', { input: String(input) }),
  });

/** A named number that steps can use: `cane = 8`. */
export const measure = z.strictObject({
  name: measureName,
  value: z.union([z.number().min(-10_000).max(10_000), formula]),
  /** How far what is made may be off either way, as drawing sheets say it: ± 0.1. */
  tolerance: z
    .number()
    .refine((most) => most >= 0.001 && most <= 100, {
      error: () => say('a tolerance is between 0.001 and 100'),
    })
    .optional(),
  /** Whether every part of the project has it. */
  shared: z.literal(true).optional(),
});
export type Measure = z.infer<typeof measure>;

/** The values of measures by name, or the first one that cannot be worked out. */
export type MeasureValues =
  | { ok: true; values: ReadonlyMap<string, number> }
  | { ok: false; problem: Problem };

/** The value of a measure as it was written, with its tolerance: "8 ± 0.1". */
export function measureWords({ value, tolerance }: Measure): string {
  const words = isFormula(value) ? value.formula : formatNumber(value);
  return tolerance === undefined ? words : withTolerance(words, tolerance);
}

/** A size with how far it may be off either way. */
export function withTolerance(words: string, tolerance: number): string {
  return `${words} ± ${formatNumber(tolerance)}`;
}

/** A measure that is named in words, to be written as it is worth: “Ø {cane}”. */
const IN_WORDS = /\{([\p{L}_][\p{L}\p{N}_]{0,23})\}/gu;

/** Words with the values of the measures that they name; other words between braces stay as they are. */
export function filledIn(words: string, measures: ReadonlyMap<string, number>): string {
  return words.replace(IN_WORDS, (whole, name: string) => {
    const value = measures.get(name);
    return value === undefined ? whole : formatNumber(value);
  });
}

/** The names between braces in words. */
export function namedInWords(words: string): string[] {
  return [...words.matchAll(IN_WORDS)].map(([, name]) => name);
}

/** Words with one name between braces put into the place of another. */
export function renamedInWords(words: string, from: string, to: string): string {
  return words.replace(IN_WORDS, (whole, name: string) => (name === from ? `{${to}}` : whole));
}

/** Works out measures from the top; each may use those above it. */
export function valuesOf(measures: readonly Measure[]): MeasureValues {
  const values = new Map<string, number>();
  for (const { name, value } of measures) {
    const worked = evaluateAmount(value, values);
    if (!worked.ok) {
      const message = say('The measure “{name}”: {message}', { name, message: worked.message });
      return { ok: false, problem: { measure: name, message } };
    }
    values.set(name, worked.value);
  }
  return { ok: true, values };
}

/** What an amount is worth, given the measures. */
export function evaluateAmount(value: Amount, measures: ReadonlyMap<string, number>) {
  return isFormula(value) ? workOut(value.formula, measures) : { ok: true as const, value };
}
