import type { CheckResult, Inspection } from '@kelbrin/core/inspect';

/** Whether a check misses nothing but what the brief asks: for who is still designing that is to do, and no failure. */
export function isToDo({ id, verdict }: Pick<CheckResult, 'id' | 'verdict'>): boolean {
  return id === 'brief' && verdict === 'fail';
}

/** Whether an inspection fails by nothing but what is still to do. */
export function isOnlyToDo({ checks }: Pick<Inspection, 'checks'>): boolean {
  const failing = checks.filter(({ verdict }) => verdict === 'fail');
  return failing.length > 0 && failing.every(isToDo);
}
