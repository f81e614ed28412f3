import type { SolidMesh } from '../mesh/index.ts';
import type { PrintNeeds } from './measure/aboutPart.ts';
import type { BriefRules } from './requirements/briefRules.ts';
import { checks, printChecks } from './checks/index.ts';
import { Inspecting, type InspectionContext } from './inspecting.ts';
import type { CheckResult, Inspection } from './result/inspection.ts';
import type { LimitsCard } from './card/limits.ts';
import { worst } from './result/verdict.ts';

/** How far an inspection has come. */
export interface Progress {
  /** The check that comes next, as it is called on screen. */
  readonly title: string;
  readonly done: number;
  readonly of: number;
}

/**
 * Inspects a closed solid against a limits card, set down on z = 0.
 *
 * @example
 * inspect(mesh, classroomLimits).verdict // 'pass'
 */
export function inspect(mesh: SolidMesh, limits: LimitsCard, known: InspectionContext = {}): Inspection {
  const steps = inspectInSteps(mesh, limits, known);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** Like {@link inspect}, a check at a time, so that a host can tell how far it is and stop in between. */
export function* inspectInSteps(
  mesh: SolidMesh,
  limits: LimitsCard,
  known: InspectionContext = {},
): Generator<Progress, Inspection> {
  const inspecting = new Inspecting(mesh, limits, known);
  for (const [done, { id, title }] of checks.entries()) {
    yield { title, done, of: checks.length };
    inspecting.check(id);
  }
  return inspecting.whole();
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
