import type { FilamentColour } from '@kelbrin/core/colours';
import type { BriefOutlook as Outlook } from '@kelbrin/core/weekPlan';

/** Why a batch stands where it does. */
export type PlanReason = 'due' | 'loaded' | 'change' | 'overnight' | 'byHand';

/** A batch of the plan, as it is shown. */
export interface PlannedBatchView {
  /** The pin that holds it, where somebody put it there. */
  readonly pin: string | undefined;
  readonly printer: string;
  readonly fromMs: number;
  readonly toMs: number;
  readonly parts: readonly {
    readonly id: string;
    readonly student: string;
    readonly handInId: string;
  }[];
  readonly briefs: readonly string[];
  readonly material: string;
  readonly colour: FilamentColour | undefined;
  readonly grams: number;
  readonly isOvernight: boolean;
  readonly reasons: readonly PlanReason[];
  /** The first day on which one of its parts is due, as 2026-12-05. */
  readonly dueOn: string | undefined;
  /** How many starts it saves, of parts printed one by one. */
  readonly savesStarts: number;
  /** Whether it would end after one of its parts is due. */
  readonly isLate: boolean;
}

/** A printer of the plan. */
export interface PlannedLane {
  readonly id: string;
  readonly name: string;
  /** The rolls that are on it; their colours as #rrggbb. */
  readonly rolls: readonly { readonly material: string; readonly colour: string }[];
  /** What it is at until it can begin: a print that runs, and batches that are laid for it. */
  readonly busy: { readonly untilMs: number; readonly batches: readonly number[] } | undefined;
}

/** What becomes of a brief of a class, if all goes as planned. */
export interface BriefOutlook extends Outlook {
  readonly title: string;
  readonly className: string;
}

/** The plan of the coming days. */
export interface WeekView {
  readonly nowMs: number;
  readonly lanes: readonly PlannedLane[];
  readonly attended: readonly { readonly fromMs: number; readonly toMs: number }[];
  readonly batches: readonly PlannedBatchView[];
  readonly outlook: readonly BriefOutlook[];
  /** How many parts are in no batch. */
  readonly notPlanned: number;
}
