/** A user unit is a 96th of an inch (CSS Values 4, § 6.2). */
export const MM_PER_UNIT = 25.4 / 96;

const UNITS_PER: Readonly<Record<string, number>> = {
  '': 1,
  px: 1,
  mm: 1 / MM_PER_UNIT,
  cm: 10 / MM_PER_UNIT,
  q: 0.25 / MM_PER_UNIT,
  in: 96,
  pt: 96 / 72,
  pc: 16,
  // The size of letters, where nothing says otherwise.
  em: 16,
  rem: 16,
  ex: 8,
};

/** Matches one number where it stands, and can only go forward. */
const NUMBER = /[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/iy;

/** The numbers of a list, whatever stands between them: `1-2,3 4`, `10px 5deg`. */
export function numbersOf(words: string): number[] {
  const found: number[] = [];
  for (let at = 0; at < words.length;) {
    NUMBER.lastIndex = at;
    const match = NUMBER.exec(words);
    if (!match) {
      at++;
      continue;
    }
    found.push(Number(match[0]));
    at = NUMBER.lastIndex;
  }
  return found;
}

/**
 * A length in user units, or undefined for one that says nothing: `12`, `3mm`, `50%` of `whole`.
 */
export function unitsOf(words: string | undefined, whole: number): number | undefined {
  const trimmed = words?.trim().toLowerCase() ?? '';
  NUMBER.lastIndex = 0;
  const match = NUMBER.exec(trimmed);
  if (!match) return undefined;
  const value = Number(match[0]);
  const unit = trimmed.slice(match[0].length).trim();
  if (unit === '%') return (value / 100) * whole;
  return unit in UNITS_PER ? value * UNITS_PER[unit] : undefined;
}
