import type { Inspection } from '../inspect/index.ts';
import { isUnwritten, type Recipe, type Step } from '../recipe/index.ts';

/** What somebody does on their first project, in this order: with it they have seen all of the way. */
export const firstSteps = ['number', 'name', 'mend', 'handIn'] as const;
export type FirstStep = (typeof firstSteps)[number];

/** What an edit of a recipe shows to have been understood. */
export function shownBy(before: Recipe, after: Recipe): readonly FirstStep[] {
  const was = new Map(before.steps.map((step) => [step.id, step]));
  const changed = (is: (before: Step, after: Step) => boolean) =>
    after.steps.some((step) => {
      const then = was.get(step.id);
      return then !== undefined && is(then, step);
    });
  return [
    ...(changed(hasOtherNumber) ? (['number'] as const) : []),
    // Words that a new step has of itself are nobody's.
    ...(changed((then, now) => wordsOf(then) !== wordsOf(now) && !isUnwritten(now))
      ? (['name'] as const)
      : []),
  ];
}

/** Whether a part is mended: all checks have answered, and none of what the printer can make fails. */
export function isMended(inspection: Inspection): boolean {
  return inspection.checks.every(({ id, verdict }) => id === 'brief' || verdict !== 'fail');
}

function wordsOf(step: Step): string | undefined {
  if (step.kind === 'letters') return step.lettering.words;
  return step.kind === 'sweep' && step.of.type === 'letters' ? step.of.lettering.words : undefined;
}

/** Whether a number stands otherwise in the one than in the other, at a place that both have. */
function hasOtherNumber(before: unknown, after: unknown): boolean {
  if (typeof before === 'number' && typeof after === 'number') return before !== after;
  if (typeof before !== 'object' || typeof after !== 'object' || before === null || after === null)
    return false;
  return Object.entries(before).some(([key, value]) =>
    hasOtherNumber(value, (after as Record<string, unknown>)[key]),
  );
}
