/** Millimetres in each unit that can be typed behind a number. */
const unitsMm: Record<string, number> = { '': 1, mm: 1, cm: 10, m: 1000, in: 25.4, inch: 25.4, '"': 25.4 };

/** Either millimetres, or a sentence that says what is wrong with what was typed. */
export type Typed = { ok: true; mm: number } | { ok: false; message: string };

/**
 * Reads a length as people type it: with a decimal point or comma, and perhaps a unit.
 *
 * @example
 * readLength('2,5 cm', 0.1, 1000) // { ok: true, mm: 25 }
 */
export function readLength(typed: string, min: number, max: number): Typed {
  const found = /^\s*([-−+]?\d*[.,]?\d*)\s*([a-z"]*)\s*$/i.exec(typed);
  const number = found && /\d/.test(found[1]) ? Number(found[1].replace(',', '.').replace('−', '-')) : NaN;
  const unit = found ? unitsMm[found[2].toLowerCase()] : undefined;
  if (Number.isNaN(number) || unit === undefined) {
    return {
      ok: false,
      message: `“${typed.trim()}” is not a length: type a number, perhaps with mm, cm or in.`,
    };
  }
  const mm = Math.round(number * unit * 1000) / 1000;
  if (mm < min) return { ok: false, message: `At least ${min} mm.` };
  if (mm > max) return { ok: false, message: `At most ${max} mm.` };
  return { ok: true, mm };
}

/** A length moved by steps and kept in its bounds, rounded to the step's own decimals. */
export function nudged(mm: number, byMm: number, min: number, max: number): number {
  return Math.min(max, Math.max(min, Math.round((mm + byMm) * 1000) / 1000));
}
