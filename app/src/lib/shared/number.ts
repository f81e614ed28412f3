import * as z from 'zod';
import { formatNumber, withUnit, workOut, type Unit } from '@kelbrin/core/recipe';
import { say } from '@kelbrin/core/words';

/** What a number may be. */
export interface NumberRules {
  readonly unit?: Unit;
  readonly min: number;
  readonly max: number;
  readonly whole?: boolean;
}

/** Either a number, or a sentence that says what is wrong with what was typed. */
export type ReadNumber = { ok: true; value: number } | { ok: false; message: string };

/** Signs of currencies, which may stand beside a price. */
const CURRENCIES = /[£€$¥]|\bzł|\bkr\b/g;

/**
 * Reads a number as people type it anywhere in the application: with a decimal point or comma, thousands apart or not, a
 * unit behind it, or as plain arithmetic.
 *
 * @example
 * readNumber('19,90', { min: 0, max: 100 }) // { ok: true, value: 19.9 }
 * readNumber('1.250,5 g', { unit: 'g', min: 0, max: 10_000 }) // { ok: true, value: 1250.5 }
 */
export function readNumber(typed: string, { unit = '', min, max, whole = false }: NumberRules): ReadNumber {
  const worked = workOut(typed.replace(CURRENCIES, ' ').trim(), new Map(), unit);
  if (!worked.ok) return worked;
  const value = Math.round(worked.value * 1000) / 1000;
  const message = outOfBounds(value, { unit, min, max, whole });
  return message === undefined ? { ok: true, value } : { ok: false, message };
}

/** What is wrong with a number that is read, in a sentence; undefined for one that may be. */
export function outOfBounds(
  value: number,
  { unit = '', min, max, whole = false }: NumberRules,
): string | undefined {
  if (value < min) return say('At least {min}.', { min: withUnit(min, unit) });
  if (value > max) return say('At most {max}.', { max: withUnit(max, unit) });
  return whole && !Number.isInteger(value) ? say('A whole number.') : undefined;
}

/** A number as it stands in a field; nothing where there is none. */
export function writtenNumber(value: number | null | undefined): string {
  return value === null || value === undefined ? '' : formatNumber(value);
}

/** A field of a form that holds a number, read on the server as in the browser; `missing` says what to do when it is empty. */
export function numberField(rules: NumberRules, missing: () => string) {
  return optionalNumberField(rules).transform((value, context): number => {
    if (value !== null) return value;
    context.addIssue({ code: 'custom', message: missing() });
    return z.NEVER;
  });
}

/** Like {@link numberField}, where nobody need know the number: null for a field that is empty. */
export function optionalNumberField(rules: NumberRules) {
  return z
    .unknown()
    .optional()
    .transform((given, context): number | null => {
      const typed = String(given ?? '').trim();
      if (typed === '') return null;
      const read = readNumber(typed, rules);
      if (read.ok) return read.value;
      context.addIssue({ code: 'custom', message: read.message });
      return z.NEVER;
    });
}

/**
 * The numbers of a list, which are apart by blanks, semicolons, or commas that cannot be decimal signs. One that is none
 * becomes NaN, for whoever checks them.
 *
 * @example
 * numbersIn('0.1, 0.2') // [0.1, 0.2]
 * numbersIn('0,1 0,2') // [0.1, 0.2]
 */
export function numbersIn(words: string): number[] {
  const apart = words.includes('.') ? /[\s,;]+/ : /,?\s+|;/;
  return words
    .split(apart)
    .map((word) => word.trim())
    .filter(Boolean)
    .map((word) => {
      const read = readNumber(word, { min: -Infinity, max: Infinity });
      return read.ok ? read.value : NaN;
    });
}
