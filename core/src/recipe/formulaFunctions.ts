import type { Unit } from './amount.ts';
import { say } from '../words/index.ts';

/** A function that a formula may use, such as the root of a number. */
export interface FormulaFunction {
  /** How many numbers it takes. */
  readonly least: number;
  readonly most: number;
  /** What its numbers count in, where that is not what the whole formula counts in. */
  readonly unit?: Unit;
  /** Its value, or one sentence that says why there is none. */
  of(...numbers: number[]): number | string;
}

const IN_DEGREES = Math.PI / 180;

/** As children say it: a half is rounded away from 0. */
const rounded = (value: number) => Math.sign(value) * Math.round(Math.abs(value));

const arc = (name: string, of: (value: number) => number): FormulaFunction => ({
  least: 1,
  most: 1,
  of: (value) =>
    Math.abs(value) > 1 ? say('“{name}” needs a number from −1 to 1.', { name }) : of(value) / IN_DEGREES,
});

/** Every function by its name. Angles are in degrees, both what goes in and what comes out. */
const FUNCTIONS: Readonly<Record<string, FormulaFunction>> = {
  sqrt: {
    least: 1,
    most: 1,
    of: (value) => (value < 0 ? say('A number below 0 has no square root.') : Math.sqrt(value)),
  },
  sin: { least: 1, most: 1, unit: '°', of: (deg) => Math.sin(deg * IN_DEGREES) },
  cos: { least: 1, most: 1, unit: '°', of: (deg) => Math.cos(deg * IN_DEGREES) },
  tan: {
    least: 1,
    most: 1,
    unit: '°',
    of: (deg) =>
      Math.abs(Math.cos(deg * IN_DEGREES)) < 1e-12
        ? say('The tangent of a right angle is without end.')
        : Math.tan(deg * IN_DEGREES),
  },
  asin: arc('asin', Math.asin),
  acos: arc('acos', Math.acos),
  atan: { least: 1, most: 1, of: (value) => Math.atan(value) / IN_DEGREES },
  min: { least: 2, most: 20, of: Math.min },
  max: { least: 2, most: 20, of: Math.max },
  abs: { least: 1, most: 1, of: Math.abs },
  /** To a whole number, or to the nearest of steps of a size: `round(7.3; 0.5)` is 7.5. */
  round: {
    least: 1,
    most: 2,
    of: (value, step = 1) =>
      step > 0 ? rounded(value / step) * step : say('What is rounded to must be more than 0.'),
  },
};

/** Numbers that have a name of their own. A measure of the same name comes first. */
const CONSTANTS: Readonly<Record<string, number>> = { pi: Math.PI, π: Math.PI };

/** The function of a name; undefined if there is none. */
export function functionNamed(name: string): FormulaFunction | undefined {
  return Object.hasOwn(FUNCTIONS, name) ? FUNCTIONS[name] : undefined;
}

/** The number of a name, such as π; undefined if there is none. */
export function constantNamed(name: string): number | undefined {
  return Object.hasOwn(CONSTANTS, name) ? CONSTANTS[name] : undefined;
}

/** Every function's name, as they are told to somebody who wrote another. */
export const functionNames: readonly string[] = Object.keys(FUNCTIONS);
