import { say } from '../words/index.ts';
import type { LimitsCard } from './card/limits.ts';
import type { CheckId } from './checks/index.ts';
import type { BriefRules } from './requirements/briefRules.ts';
import type { CheckResult } from './result/inspection.ts';
import { worst } from './result/verdict.ts';

/** The checks whose findings supports can hold. */
export const heldChecks: readonly CheckId[] = ['overhang', 'bridge', 'island'];

/** Whether both the card and the brief let parts be held by supports. */
export function mayBeHeld({ supports }: Pick<LimitsCard, 'supports'>, brief: BriefRules): boolean {
  return supports !== 'none' && brief.mayBeHeld === true;
}

/** What a check found, where supports hold what would fail: it costs plastic, and leaves marks, but it can be printed. */
export function held<Id extends string>(
  result: CheckResult & { readonly id: Id },
): CheckResult & { readonly id: Id } {
  const findings = result.findings.map((finding) =>
    finding.verdict === 'fail'
      ? {
          ...finding,
          verdict: 'warn' as const,
          message: say('{found} Supports hold it while it is printed.', { found: finding.message }),
        }
      : finding,
  );
  return { ...result, verdict: worst(findings.map(({ verdict }) => verdict)), findings };
}
