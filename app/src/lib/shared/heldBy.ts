import type { LimitsCard } from '@kelbrin/core/inspect';
import type { Estimate } from '@kelbrin/core/slice';

/** The card by which a part is held by supports: that of its approval, if it was approved with some. */
export function heldByOf({
  estimate,
  limits,
}: {
  readonly estimate: Estimate;
  readonly limits: LimitsCard;
}): LimitsCard | undefined {
  return estimate.supports ? limits : undefined;
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
