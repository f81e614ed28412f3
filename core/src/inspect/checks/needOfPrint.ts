import type { PrintNeeds } from '../measure/aboutPart.ts';
import type { Notes, PrintCheck } from './check.ts';
import type { CheckResult } from '../result/inspection.ts';
import type { LimitsCard } from '../card/limits.ts';
import { rounded } from '../measure/subject.ts';
import { judge, type Verdict } from '../result/verdict.ts';
import type { Why } from './why.ts';

interface Need<Id extends string> {
  readonly id: Id;
  readonly title: string;
  readonly why: Why;
  readonly notes: Notes;
  readonly unit: CheckResult['unit'];
  needed(print: PrintNeeds): number;
  /** The most that the card allows. */
  limit(limits: LimitsCard): number;
  say(needed: number, verdict: Verdict, limits: LimitsCard): string;
}

/** Holds what the whole part needs against the most that the card allows; nothing is said while it is not known. */
export function needOfPrint<Id extends string>(need: Need<Id>): PrintCheck<Id> {
  const against = (print: PrintNeeds | undefined, limits: LimitsCard): Omit<CheckResult, 'id' | 'title'> => {
    const { unit } = need;
    const limit = need.limit(limits);
    const plain = { limit, unit, rule: 'atMost' as const };
    if (!print) return { ...plain, verdict: 'pass', measured: null, findings: [] };
    const measured = rounded(need.needed(print));
    const verdict = judge(measured, 'atMost', limit);
    const message = need.say(measured, verdict, limits);
    const finding = { verdict, measured, unit, at: [0, 0, 0] as [number, number, number], message };
    return { ...plain, verdict, measured, findings: [{ ...finding, steps: [], triangles: [] }] };
  };
  return {
    id: need.id,
    get title() {
      return need.title;
    },
    why: need.why,
    notes: need.notes,
    inspect: ({ about }, limits) => against(about.print, limits),
    withPrint: (_, print, limits) => against(print, limits),
  };
}
