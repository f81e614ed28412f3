import type { LimitsCard, SupportMark } from '@kelbrin/core/inspect';
import type { Estimate } from '@kelbrin/core/slice';

/** By what supports hold a part: a limits card, and what somebody marked on the part. */
export interface HeldBy {
  readonly limits: LimitsCard;
  readonly marks: readonly SupportMark[];
}

/** By what a part is held: the card and the marks of its approval, if it was approved with supports. */
export function heldByOf({
  estimate,
  limits,
  supportMarks,
}: {
  readonly estimate: Estimate;
  readonly limits: LimitsCard;
  readonly supportMarks: readonly SupportMark[];
}): HeldBy | undefined {
  return estimate.supports ? { limits, marks: supportMarks } : undefined;
}

/** Whether the supports of a printed part are still on it. */
export function hasSupports({
  estimate,
  supportsOffAt,
}: {
  readonly estimate: Estimate;
  readonly supportsOffAt: Date | null;
}): boolean {
  return estimate.supports !== undefined && supportsOffAt === null;
}
