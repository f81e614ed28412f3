import { namesIn, workOut, type Amount, type Unit } from '@kelbrin/core/recipe';
import { outOfBounds } from '../shared/number';

/** What a field may hold and what can be used in it. */
export interface FieldRules {
  readonly unit: Unit;
  readonly min: number;
  readonly max: number;
  readonly measures: ReadonlyMap<string, number>;
}

/** Either an amount with what it is worth now, or a sentence that says what is wrong with what was typed. */
export type Typed = { ok: true; amount: Amount; worth: number } | { ok: false; message: string };

/**
 * Reads an amount as people type it: a number with a decimal point or comma and perhaps a unit becomes a plain number;
 * arithmetic and measures stay as they were written.
 *
 * @example
 * readAmount('2,5 cm', rules) // { ok: true, amount: 25, worth: 25 }
 * readAmount('cane + 0.4', rules) // { ok: true, amount: { formula: 'cane + 0.4' }, worth: 8.4 }
 */
export function readAmount(typed: string, { unit, min, max, measures }: FieldRules): Typed {
  const formula = typed.trim();
  const worked = workOut(formula, measures, unit);
  if (!worked.ok) return worked;
  const worth = Math.round(worked.value * 1000) / 1000;
  // What has no unit is counted.
  const message = outOfBounds(worth, { unit, min, max, whole: unit === '' });
  if (message !== undefined) return { ok: false, message };
  const isPlain = namesIn(formula).length === 0 && !/[-+*/:()−×÷·]/.test(formula.replace(/^[-−]/, ''));
  return { ok: true, amount: isPlain ? worth : { formula }, worth };
}

/** A number moved by steps and kept in its bounds, rounded to a thousandth. */
export function nudged(value: number, by: number, min: number, max: number): number {
  return Math.min(max, Math.max(min, Math.round((value + by) * 1000) / 1000));
}
