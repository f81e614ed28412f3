import type { PrintNeeds } from '../measure/aboutPart.ts';
import type { BriefRules } from '../requirements/briefRules.ts';
import type { CheckResult } from '../result/inspection.ts';
import type { LimitsCard } from '../card/limits.ts';
import type { Subject } from '../measure/subject.ts';
import type { Why } from './why.ts';

/** What the document of the inspection says of a check, for those who want to know what it measures and what it does not see. */
export interface Notes {
  readonly measures: string;
  readonly limit: string;
  /** Where the rule comes from, if it is not the card's own. */
  readonly source?: string;
  readonly blindSpots: string;
}

/** A check: one file in `checks/` that measures one thing and holds it against the limits card. */
export interface Check<Id extends string = string> {
  readonly id: Id;
  /** What it is called on screen. */
  readonly title: string;
  readonly why: Why;
  readonly notes: Notes;
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
