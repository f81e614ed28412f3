import type { PrintNeeds } from '../aboutPart.ts';
import type { Check } from '../check.ts';
import type { CheckResult } from '../inspection.ts';
import type { LimitsCard } from '../limits.ts';
import { rounded } from '../subject.ts';
import { judge, type Verdict } from '../verdict.ts';
import type { Why } from '../why.ts';

/** A check of what printing the whole part takes, which is only known once it was sliced. */
export interface NeedOfPrint extends Check {
  against(print: PrintNeeds | undefined, limits: LimitsCard): Omit<CheckResult, 'id' | 'title'>;
}

interface Need {
  readonly id: string;
  readonly title: string;
  readonly why: Why;
  readonly unit: CheckResult['unit'];
  needed(print: PrintNeeds): number;
  /** The most that the card allows. */
  limit(limits: LimitsCard): number;
  say(needed: number, verdict: Verdict, most: number): string;
}

/** Holds what the whole part needs against the most that the card allows; nothing is said while it is not known. */
export function needOfPrint({ id, title, why, unit, needed, limit: mostOf, say }: Need): NeedOfPrint {
  const against: NeedOfPrint['against'] = (print, limits) => {
    const limit = mostOf(limits);
    const measured = print ? rounded(needed(print)) : null;
    const verdict = measured === null ? 'pass' : judge(measured, 'atMost', limit);
    const message = measured === null ? '' : say(measured, verdict, limit);
    return {
      verdict,
      measured,
      limit,
      unit,
      rule: 'atMost',
      findings:
        measured === null || verdict === 'pass'
          ? []
          : [{ verdict, measured, unit, at: [0, 0, 0], message, steps: [], triangles: [] }],
    };
  };
  return { id, title, why, against, inspect: ({ about }, limits) => against(about.print, limits) };
}
