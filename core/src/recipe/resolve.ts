import { isFormula, type Resolved } from './amount.ts';
import { valuesOf } from './measures.ts';
import { errorInStep, RecipeError } from './problem.ts';
import type { FieldPath } from './sentence.ts';
import { step as stepSchema, type Step } from './steps/index.ts';
import { workOut } from './formula.ts';
import type { Recipe } from './recipe.ts';

/** A step whose formulas are worked out. */
export type ResolvedStep = Resolved<Step>;
/** Steps in their order, each with its index in the recipe. */
export type ResolvedSteps = readonly { readonly step: ResolvedStep; readonly index: number }[];

/**
 * The steps that are switched on, every formula in them worked out.
 * Throws a {@link RecipeError} that names the field when a formula has no value or one out of bounds.
 */
export function resolved(recipe: Recipe): ResolvedSteps {
  const measures = valuesOf(recipe.measures);
  if (!measures.ok) throw new RecipeError(measures.problem);
  return recipe.steps.flatMap((step, index) =>
    step.off ? [] : { step: resolvedStep(step, index, measures.values), index },
  );
}

function resolvedStep(step: Step, index: number, measures: ReadonlyMap<string, number>): ResolvedStep {
  const fail = (path: FieldPath, message: string): never => {
    throw errorInStep(step.id, index, message, { path });
  };
  let hasFormula = false;
  const walk = (data: unknown, path: FieldPath): unknown => {
    if (typeof data !== 'object' || data === null) return data;
    if (isFormula(data)) {
      hasFormula = true;
      const worked = workOut(data.formula, measures);
      return worked.ok ? worked.value : fail(path, worked.message);
    }
    if (Array.isArray(data)) return data.map((each, i) => walk(each, [...path, i]));
    return Object.fromEntries(Object.entries(data).map(([key, value]) => [key, walk(value, [...path, key])]));
  };
  const plain = walk(step, []);
  // Plain numbers were held against their bounds when the recipe was read.
  if (!hasFormula) return plain as Resolved<Step>;
  const parsed = stepSchema.safeParse(plain);
  if (parsed.success) return parsed.data as Resolved<Step>;
  const [{ path, message }] = parsed.error.issues;
  return fail(path as FieldPath, `${message}.`);
}
