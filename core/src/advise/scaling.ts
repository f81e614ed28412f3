import { measuredWords, type Inspection } from '../inspect/index.ts';
import { setField, type Recipe } from '../recipe/index.ts';
import { say } from '../words/index.ts';

/** Something to say about a step that only shows when the whole part has been inspected. */
export interface StepAdvice {
  readonly stepId: string;
  readonly notes: readonly string[];
}

/**
 * What falls under a limit of the card only because a step scales the part: details that were large enough before.
 * Undefined if nothing is scaled, or everything that fails would fail unscaled as well.
 *
 * @param inspected the inspection of a recipe; undefined where it cannot be built
 */
export function adviceOnScaling(
  recipe: Recipe,
  inspection: Inspection,
  inspected: (recipe: Recipe) => Inspection | undefined,
): StepAdvice | undefined {
  const scaling = recipe.steps.findLast((step) => step.kind === 'scale' && !step.off);
  if (!scaling) return undefined;
  const unscaled = setField(recipe, scaling.id, ['off'], true);
  const before = unscaled.ok ? inspected(unscaled.recipe) : undefined;
  if (!before) return undefined;
  const notes = inspection.checks.flatMap((now) => {
    const was = before.checks.find(({ id }) => id === now.id);
    if (now.verdict !== 'fail' || !was || was.verdict === 'fail') return [];
    if (now.measured === null)
      return now.reason
        ? say('Because of the scaling, “{title}” fails: {reason}.', { title: now.title, reason: now.reason })
        : [];
    const [is, limit] = [measuredWords(now.measured, now.unit), measuredWords(now.limit, now.unit)];
    const bound =
      now.rule === 'atLeast'
        ? say('at least {limit} is needed', { limit })
        : say('at most {limit} is allowed', { limit });
    const unscaledWords =
      was.measured === null
        ? ''
        : say('; unscaled it was {measured}', { measured: measuredWords(was.measured, was.unit) });
    return say('Because of the scaling, “{title}” fails: it is {is}, and {bound}{unscaledWords}.', {
      title: now.title,
      is,
      bound,
      unscaledWords,
    });
  });
  return notes.length > 0 ? { stepId: scaling.id, notes } : undefined;
}
