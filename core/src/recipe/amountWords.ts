import { isFormula, withUnit, type Amount, type Unit } from './amount.ts';

/** The amount of a number as its sentence says it. */
export function saidAmount({
  value,
  isTurned,
}: {
  readonly value: Amount;
  readonly isTurned?: boolean;
}): Amount {
  return isTurned ? turnedAmount(value) : value;
}

/** The amount with the other sign. */
export function turnedAmount(value: Amount): Amount {
  if (!isFormula(value)) return value === 0 ? 0 : -value;
  return { ...value, formula: `-(${value.formula})` };
}

/** An amount with its unit: "8 mm", or "(cane + 2 × wall) mm" for a formula, so that one sees where that ends. */
export function amountWords(value: Amount, unit: Unit): string {
  if (!isFormula(value)) return withUnit(value, unit);
  const formula = value.formula.replaceAll('*', '×').replaceAll(' - ', ' − ');
  const isOneWord = /^[\p{L}\p{N}]+$/u.test(formula);
  if (unit === '') return formula;
  return `${isOneWord ? formula : `(${formula})`} ${unit}`;
}
