import type { PrintNeeds } from '../measure/aboutPart.ts';
import type { BriefRules } from '../requirements/briefRules.ts';
import type { CheckResult } from '../result/inspection.ts';
import type { LimitsCard } from '../card/limits.ts';
import type { Subject } from '../measure/subject.ts';
import type { Why } from './why.ts';

/** A check: one file in `checks/` that measures one thing and holds it against the limits card. */
export interface Check<Id extends string = string> {
  readonly id: Id;
  /** What it is called on screen. */
  readonly title: string;
  readonly why: Why;
  inspect(subject: Subject, limits: LimitsCard, brief: BriefRules): Omit<CheckResult, 'id' | 'title'>;
}

/** A check that looks at what printing the part takes, which is only known once it was sliced. */
export interface PrintCheck<Id extends string = string> extends Check<Id> {
  /** Its result once that is known, from the one before. */
  withPrint(
    before: CheckResult,
    print: PrintNeeds,
    limits: LimitsCard,
    brief: BriefRules,
  ): Omit<CheckResult, 'id' | 'title'>;
}
