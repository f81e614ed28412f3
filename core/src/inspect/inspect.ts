import { setDown, type SolidMesh } from '../mesh/index.ts';
import type { AboutPart } from './aboutPart.ts';
import { checks } from './checks/index.ts';
import type { Inspection } from './inspection.ts';
import type { LimitsCard } from './limits.ts';
import { subjectOf } from './subject.ts';
import { worst } from './verdict.ts';

/**
 * Inspects a closed solid against a limits card, set down on z = 0.
 *
 * @param about what else is known of the part; checks of what is not known measure nothing
 *
 * @example
 * inspect(mesh, classroomLimits).verdict // 'pass'
 */
export function inspect(mesh: SolidMesh, limits: LimitsCard, about: AboutPart = {}): Inspection {
  const subject = subjectOf(setDown(mesh), about);
  const results = checks.map(({ id, title, inspect: run }) => ({ id, title, ...run(subject, limits) }));
  return { verdict: worst(results.map(({ verdict }) => verdict)), part: subject.facts, checks: results };
}
