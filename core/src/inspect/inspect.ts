import { setDown, type SolidMesh } from '../mesh/index.ts';
import type { AboutPart, PrintNeeds } from './measure/aboutPart.ts';
import type { BriefRules } from './requirements/briefRules.ts';
import { checks, printChecks } from './checks/index.ts';
import type { CheckResult, Inspection } from './result/inspection.ts';
import type { LimitsCard } from './card/limits.ts';
import { subjectOf } from './measure/subject.ts';
import { worst } from './result/verdict.ts';

/** What an inspection is told beyond the surface and the card; checks of what is not known measure nothing. */
export interface InspectionContext extends AboutPart {
  readonly brief?: BriefRules;
}

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
  { brief = {}, ...about }: InspectionContext = {},
): Generator<Progress, Inspection> {
  const subject = subjectOf(setDown(mesh), about);
  const results: CheckResult[] = [];
  for (const { id, title, inspect: run } of checks) {
    yield { title, done: results.length, of: checks.length };
    results.push({ id, title, ...run(subject, limits, brief) });
  }
  return { verdict: worst(results.map(({ verdict }) => verdict)), part: subject.facts, checks: results };
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
