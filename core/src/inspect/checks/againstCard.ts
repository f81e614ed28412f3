import type { CheckResult } from '../inspection.ts';
import { rounded } from '../subject.ts';
import { judge, type Verdict } from '../verdict.ts';

/** Holds what the whole part needs against the most that the card allows; nothing is said while it is not known. */
export function againstCard(
  needed: number | undefined,
  limit: number,
  unit: CheckResult['unit'],
  say: (needed: number, verdict: Verdict) => string,
): Omit<CheckResult, 'id' | 'title'> {
  const verdict = needed === undefined ? 'pass' : judge(needed, 'atMost', limit);
  const measured = needed === undefined ? null : rounded(needed);
  return {
    verdict,
    measured,
    limit,
    unit,
    rule: 'atMost',
    findings:
      measured === null || verdict === 'pass'
        ? []
        : [
            {
              verdict,
              measured,
              unit,
              at: [0, 0, 0],
              message: say(measured, verdict),
              steps: [],
              triangles: [],
            },
          ],
  };
}
