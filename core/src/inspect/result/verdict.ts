/** How something stands against a limit. */
export type Verdict = 'pass' | 'warn' | 'fail';

/** Within this share of the limit, on the good side, a value passes with a warning. One rule for all checks. */
export const WARN_BAND = 0.05;

/** Values this close count as equal: finer than any classroom printer, coarser than the rounding of a mesh file. */
const SAME = 0.005;

/**
 * Judges a measured value against a limit.
 *
 * @example
 * judge(1.3, 'atLeast', 2) // 'fail'
 * judge(2.05, 'atLeast', 2) // 'warn'
 * judge(44, 'atMost', 45) // 'warn'
 */
export function judge(measured: number, rule: 'atLeast' | 'atMost', limit: number): Verdict {
  const room = rule === 'atLeast' ? measured - limit : limit - measured;
  if (room < -SAME) return 'fail';
  return room < limit * WARN_BAND - SAME ? 'warn' : 'pass';
}

const rank: Record<Verdict, number> = { pass: 0, warn: 1, fail: 2 };

/** Whether one verdict is graver than another. */
export function isWorse(verdict: Verdict, than: Verdict): boolean {
  return rank[verdict] > rank[than];
}

/** The gravest of several verdicts; `pass` when there are none. */
export function worst(verdicts: Iterable<Verdict>): Verdict {
  let result: Verdict = 'pass';
  for (const verdict of verdicts) if (isWorse(verdict, result)) result = verdict;
  return result;
}
