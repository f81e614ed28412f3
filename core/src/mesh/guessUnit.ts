/** The units that a file without any may have been drawn in. */
export type FileUnit = 'mm' | 'cm' | 'm' | 'in';

/**
 * The unit that a file was probably drawn in, from the largest length in it: things that classes print are between 8
 * and 400 mm large, and a file is taken at its word wherever it may be right.
 *
 * @example
 * guessUnit(2.5) // 'in'
 */
export function guessUnit(largest: number): FileUnit {
  if (largest < 0.4) return 'm';
  if (largest < 8) return 'in';
  return 'mm';
}
