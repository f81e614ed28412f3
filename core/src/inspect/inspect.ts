import { setDown, type SolidMesh } from '../mesh/index.ts';
import { checks } from './checks/index.ts';
import type { Inspection } from './inspection.ts';
import type { LimitsCard } from './limits.ts';
import { subjectOf } from './subject.ts';
import { worst } from './verdict.ts';

/**
 * Inspects a closed solid against a limits card, set down on z = 0.
 *
 * `stepIds`, the ids of the recipe's steps in order, lets findings name the steps they come from.
 *
 * @example
 * inspect(mesh, classroomLimits).verdict // 'pass'
 */
export function inspect(mesh: SolidMesh, limits: LimitsCard, stepIds: readonly string[] = []): Inspection {
  const subject = subjectOf(setDown(mesh), stepIds);
  const results = checks.map(({ id, title, inspect: run }) => ({ id, title, ...run(subject, limits) }));
  return { verdict: worst(results.map(({ verdict }) => verdict)), part: subject.facts, checks: results };
}
