import {
  addStep,
  additionsOf,
  emptyRecipe,
  sentenceOf,
  setField,
  stepKinds,
  type Recipe,
  type Step,
} from '../src/recipe/index.ts';

/** A recipe with the step that is looked at, and where that stands in it. */
export interface StandingStep {
  readonly recipe: Recipe;
  readonly index: number;
  readonly step: Step;
}

/**
 * A step of every kind as it is when it is new; with each clause that can be added to it; and with each of its choices,
 * each of them with each clause that can be added then.
 */
export function everyStep(): StandingStep[] {
  const all = stepKinds.reduce<Recipe>((recipe, { kind }) => addStep(recipe, kind), emptyRecipe());
  const found = new Map<string, StandingStep>();
  const note = (recipe: Recipe, index: number): boolean => {
    const step = recipe.steps[index];
    const key = JSON.stringify(step);
    if (found.has(key)) return false;
    found.set(key, { recipe, index, step });
    return true;
  };
  const explore = (recipe: Recipe, index: number, depth: number): void => {
    if (!note(recipe, index) || depth === 0) return;
    const step = recipe.steps[index];
    const choices = sentenceOf(step, { recipe, index }).flatMap((token) =>
      token.type === 'choice' ? token.options.map(({ value }) => ({ path: token.path, value })) : [],
    );
    const offers = sentenceOf(step, { recipe, index }).flatMap((token) =>
      token.type === 'menu' ? token.offers : [],
    );
    for (const { path, value } of [...additionsOf(step), ...offers]) {
      const edited = setField(recipe, step.id, path, value);
      if (edited.ok) explore(edited.recipe, index, depth > 1 ? 1 : 0);
    }
    for (const { path, value } of choices) {
      const edited = setField(recipe, step.id, path, value);
      if (edited.ok) explore(edited.recipe, index, depth - 1);
    }
  };
  all.steps.forEach((_, index) => explore(all, index, 2));
  return [...found.values()];
}
