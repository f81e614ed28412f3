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

/**
 * What a check found, where supports hold what would fail: it costs plastic, and leaves marks, but it can be printed. What
 * somebody keeps free of them may sag, which they know.
 */
export function held<Id extends string>(
  result: CheckResult & { readonly id: Id },
  free: ReadonlySet<number>,
): CheckResult & { readonly id: Id } {
  const findings = result.findings.map((finding) => {
    if (finding.verdict !== 'fail') return finding;
    const kept = finding.triangles.filter((face) => free.has(face)).length;
    const isFree = 2 * kept > finding.triangles.length;
    const values = { found: finding.message };
    return {
      ...finding,
      verdict: 'warn' as const,
      message: isFree
        ? say('{found} It is kept free of supports, and may sag.', values)
        : say('{found} Supports hold it while it is printed.', values),
    };
  });
  return { ...result, verdict: worst(findings.map(({ verdict }) => verdict)), findings };
}
