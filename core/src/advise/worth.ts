import { isWorse, type CheckResult, type Finding, type Inspection } from '../inspect/index.ts';
import type { Recipe, Step } from '../recipe/index.ts';
import { failingKey } from './failingFindings.ts';
import type { Tried } from './remedy.ts';

/** A step that keeps less than this share of its surface is gone for whoever looks at the part. */
const GONE = 0.25;
/** The same for a step that is changed itself, which may well become smaller. */
const GONE_IF_CHANGED = 0.08;

/** What a change of the part's volume and surface costs, by the share of it. */
const PER_LOOK = 2;
/** What a check costs that is closer to failing than before. */
const PER_WARNING = 0.2;

/** Whether a finding is gone from a check's result: fewer are as bad, and none of them is this one. */
export function mends(before: CheckResult, after: CheckResult, finding: Finding): boolean {
  const asBad = ({ findings }: CheckResult) =>
    findings.filter(
      ({ verdict, unit, requirement }) =>
        !isWorse(finding.verdict, verdict) && unit === finding.unit && requirement === finding.requirement,
    );
  const [was, is] = [asBad(before), asBad(after)];
  const own = failingKey(before.id, finding);
  const known = new Set(was.map((each) => failingKey(before.id, each)));
  const isSame = (other: Finding) => {
    const key = failingKey(before.id, other);
    // Of other steps than before, it may be this one, moved to a neighbour.
    const isNew = !known.has(key);
    return key === own || (isNew && other.steps.some((step) => finding.steps.includes(step)));
  };
  return is.length < was.length && !is.some(isSame);
}

/** Whether a check fails that did not, or more of its places do. */
export function harms(before: Inspection, after: Inspection): boolean {
  const failing = ({ findings }: CheckResult) => findings.filter(({ verdict }) => verdict === 'fail').length;
  return after.checks.some((check) => {
    const was = before.checks.find(({ id }) => id === check.id);
    return check.verdict === 'fail' && (was?.verdict !== 'fail' || failing(check) > failing(was));
  });
}

/**
 * Whether a change takes something of the part away that somebody put there: a step of which hardly anything is to be
 * seen any more, a hole that is a notch now, or the floor of one.
 */
export function takesAway(before: Tried, after: Tried, was: Recipe, is: Recipe): boolean {
  const isChanged = (step: Step) => is.steps.find(({ id }) => id === step.id) !== step;
  const isGone = (step: Step) => {
    const [old, left] = [before, after].map(({ surfaceOf }) => surfaceOf.get(step.id)?.areaMm2 ?? 0);
    return left < (isChanged(step) ? GONE_IF_CHANGED : GONE) * old;
  };
  /** So many holes of a step go through, or do not. */
  const holesOf = ({ inspection }: Tried, { id }: Step, through: boolean) =>
    inspection.checks.flatMap(({ findings }) =>
      findings.filter(({ hole, steps }) => hole?.through === through && steps.includes(id)),
    ).length;
  const hasFewerHoles = (step: Step) =>
    step.kind === 'hole' &&
    [true, false].some((through) => holesOf(after, step, through) < holesOf(before, step, through));
  return was.steps.some((step) => isGone(step) || hasFewerHoles(step));
}

/**
 * What a change that was tried costs: what it asks by itself, and how much of size and look it changes. Neither depends
 * on how the part is laid.
 */
export function costOf(proposed: number, before: Inspection, after: Inspection): number {
  const share = (was: number, is: number) => (was > 0 ? Math.abs(is - was) / was : 0);
  const look =
    share(before.part.volumeMm3, after.part.volumeMm3) + share(before.part.areaMm2, after.part.areaMm2) / 2;
  const warnings = after.checks.filter((check) => {
    const was = before.checks.find(({ id }) => id === check.id);
    return was !== undefined && isWorse(check.verdict, was.verdict);
  }).length;
  return proposed + PER_LOOK * look + PER_WARNING * warnings;
}
