import type { WeekBatch, WeekProblem } from './week.ts';

/*
 * What makes a plan better than another, in points: most of all that parts are done when they are due, then that none waits
 * longer than it has to, then that people have little to do.
 */
const LATE_HOUR = 10;
const WAITING_HOUR = 0.05;
const START = 0.5;
const CHANGE = 2;
const RISK_ALONE = 1;
const NOT_PLANNED = 1000;

const HOUR_MS = 3600_000;

/** The price of a plan; the lower, the better. */
export function priceOf(problem: WeekProblem, batches: readonly WeekBatch[]): number {
  const parts = new Map(problem.parts.map((part) => [part.id, part]));
  let price = 0;
  let planned = 0;
  for (const { parts: ids, toMs, isOvernight, changesFilament } of batches) {
    price += START + (changesFilament ? CHANGE : 0);
    for (const id of ids) {
      const { dueMs, isRisky } = parts.get(id)!;
      planned++;
      price += (WAITING_HOUR * (toMs - problem.nowMs)) / HOUR_MS;
      if (dueMs !== undefined && toMs > dueMs) price += (LATE_HOUR * (toMs - dueMs)) / HOUR_MS;
      if (isRisky && isOvernight) price += RISK_ALONE;
    }
  }
  return price + NOT_PLANNED * (problem.parts.length - planned);
}
