import type { SolidMesh } from '../mesh/index.ts';
import type { PrintNeeds } from './measure/aboutPart.ts';
import type { BriefRules } from './requirements/briefRules.ts';
import { printChecks } from './checks/index.ts';
import { Inspecting, type InspectionContext } from './inspecting.ts';
import type { CheckResult, Inspection } from './result/inspection.ts';
import type { LimitsCard } from './card/limits.ts';
import { worst } from './result/verdict.ts';

/**
 * Inspects a closed solid against a limits card, set down on z = 0.
 *
 * @example
 * inspect(mesh, classroomLimits).verdict // 'pass'
 */
export function inspect(mesh: SolidMesh, limits: LimitsCard, known: InspectionContext = {}): Inspection {
  return new Inspecting(mesh, limits, known).whole();
}

/** An inspection that was made before it was known what printing takes, with that held against card and brief as well. */
export function withPrintNeeds(
  inspection: Inspection,
  print: PrintNeeds,
  limits: LimitsCard,
  brief: BriefRules = {},
): Inspection {
  const results = inspection.checks.map((result): CheckResult => {
    const check = printChecks.find(({ id }) => id === result.id);
    return check ? { ...result, ...check.withPrint(result, print, limits, brief) } : result;
  });
  return { ...inspection, verdict: worst(results.map(({ verdict }) => verdict)), checks: results };
}
