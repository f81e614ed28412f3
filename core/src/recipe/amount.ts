import * as z from 'zod';
import { say } from '../words/index.ts';

/** A number that is worked out from measures: `{ formula: 'cane + 0.4' }`. */
export const formula = z.strictObject({ formula: z.string().min(1).max(120) });
export type Formula = z.infer<typeof formula>;

/** A number as it stands in a sentence: plain, or worked out. */
export type Amount = number | Formula;

/** The units in which a sentence counts. A count has none. */
export type Unit = 'mm' | '°' | '%' | 'min' | 'g' | '';

/** What a number may be; the schemas carry it, so that sentences, screens and documents need not repeat it. */
export interface Bounds {
  readonly unit: Unit;
  readonly minimum: number;
  readonly maximum: number;
  readonly whole?: boolean;
}

/**
 * A field that holds an amount. Its bounds are checked on reading for plain numbers, and for formulas once they are
 * worked out (see `resolved`).
 */
function amount(bounds: Bounds) {
  const { unit, minimum, maximum, whole } = bounds;
  return z
    .union([z.number(), formula])
    .superRefine((value, context) => {
      if (typeof value !== 'number') return;
      const complain = (message: string) => context.addIssue({ code: 'custom', message });
      if (!(value >= minimum))
        complain(say('it must be at least {minimum}', { minimum: withUnit(minimum, unit) }));
      else if (value > maximum)
        complain(say('it can be at most {maximum}', { maximum: withUnit(maximum, unit) }));
      else if (whole && !Number.isInteger(value)) complain(say('it must be a whole number'));
    })
    .meta({ ...bounds });
}

/** A length in mm; generous by default, so that a limit is a matter for the inspection and not for typing. */
export const length = (minimum = 0.1, maximum = 1000) => amount({ unit: 'mm', minimum, maximum });

/** A distance in mm that may point either way. */
export const distance = () => amount({ unit: 'mm', minimum: -1000, maximum: 1000 });

/** An angle in degrees. */
export const angle = (minimum = -360, maximum = 360) => amount({ unit: '°', minimum, maximum });

/** A number of things. */
export const count = (minimum: number, maximum: number) =>
  amount({ unit: '', minimum, maximum, whole: true });

/** A share of a whole. */
export const percent = (minimum = 0, maximum = 100) => amount({ unit: '%', minimum, maximum });

/** Data in which every amount has become a plain number. */
export type Resolved<T> = T extends Formula
  ? never
  : T extends object
    ? { [K in keyof T]: Resolved<T[K]> }
    : T;

/** Whether a piece of data is a formula. */
export function isFormula(value: unknown): value is Formula {
  return typeof value === 'object' && value !== null && 'formula' in value;
}

/** A number with its unit as people write it. */
export function withUnit(value: number, unit: Unit): string {
  if (unit === '') return formatNumber(value);
  return `${formatNumber(value)}${unit === '°' || unit === '%' ? '' : ' '}${unit}`;
}

/** A number as people write it: no trailing zeros, at most three decimals, a real minus sign. */
export function formatNumber(value: number): string {
  return String(Math.round(value * 1000) / 1000).replace('-', '−');
}

/** A measured figure as it is said: to a hundredth, since nothing is measured nearer. */
export function formatMeasured(value: number): string {
  return formatNumber(Math.round(100 * value) / 100);
}
