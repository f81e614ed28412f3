import type { CheckResult } from './inspection.ts';
import type { LimitsCard } from './limits.ts';
import type { Subject } from './subject.ts';
import type { Why } from './why.ts';

/** A check: one file in `checks/` that measures one thing and holds it against the limits card. */
export interface Check {
  readonly id: string;
  /** What it is called on screen. */
  readonly title: string;
  readonly why: Why;
  inspect(subject: Subject, limits: LimitsCard): Omit<CheckResult, 'id' | 'title'>;
}
