import type { CheckResult, Finding } from './inspection.ts';
import { isWorse, judge } from './verdict.ts';

/**
 * A result whose figure is the one that decides. Where a check is worse than its figure, for something else that it
 * looks at, the figure would contradict the verdict: the reason stands in its place.
 *
 * @param reasonOf says in a few words what the finding is that decides
 */
export function figured(
  result: Omit<CheckResult, 'id' | 'title'>,
  reasonOf: (decisive: Finding) => string,
): Omit<CheckResult, 'id' | 'title'> {
  const { measured, rule, limit, verdict, findings } = result;
  if (verdict === 'pass' || (measured !== null && !isWorse(verdict, judge(measured, rule, limit))))
    return result;
  const decisive = findings.find((finding) => finding.verdict === verdict)!;
  return { ...result, measured: null, reason: reasonOf(decisive) };
}
