import { isFormula, type Resolved } from './amount.ts';
import { filledIn, valuesOf } from './measures.ts';
import { errorInStep, RecipeError } from './problem.ts';
import type { FieldPath } from './sentence.ts';
import { classroomPrinter, type PrinterTraits } from './printer.ts';
import { namedResult, step as stepSchema, type Step } from './steps/index.ts';
import { workOut } from './formula.ts';
import type { Recipe } from './recipe.ts';
import { say } from '../words/index.ts';

/** A step whose formulas are worked out. */
export type ResolvedStep = Resolved<Step>;
/** Steps in their order, each with its index in the recipe. */
export type ResolvedSteps = readonly { readonly step: ResolvedStep; readonly index: number }[];

/**
 * The steps that are switched on, every formula in them worked out with the measures and with what the steps before named.
 * Throws a {@link RecipeError} that names the field when a formula has no value or one out of bounds.
 */
export function resolved(recipe: Recipe, printer: PrinterTraits = classroomPrinter): ResolvedSteps {
  const measures = valuesOf(recipe.measures);
  if (!measures.ok) throw new RecipeError(measures.problem);
  const values = new Map(measures.values);
  return recipe.steps.flatMap((step, index) => {
    if (step.off) return [];
    const worked = resolvedStep(step, index, values);
    const named = namedResult(worked, printer);
    if (named && values.has(named.name)) {
      const message = say('there is a measure “{name}” already. Choose another name.', { name: named.name });
      throw errorInStep(step.id, index, message, { path: ['called'] });
    }
    if (named) values.set(named.name, named.value);
    return { step: worked, index };
  });
}

/** What measures are worth, and what steps named, by name; what cannot be worked out is left out. */
export function knownValues(recipe: Recipe, printer: PrinterTraits): ReadonlyMap<string, number> {
  const measures = valuesOf(recipe.measures);
  if (!measures.ok) return new Map();
  const values = new Map(measures.values);
  for (const [index, step] of recipe.steps.entries()) {
    if (step.off || !('called' in step)) continue;
    try {
      const named = namedResult(resolvedStep(step, index, values), printer);
      if (named) values.set(named.name, named.value);
    } catch (error) {
      if (!(error instanceof RecipeError)) throw error;
    }
  }
  return values;
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
    return Object.fromEntries(
      Object.entries(data).map(([key, value]) => [
        key,
        key === 'words' && typeof value === 'string'
          ? filledIn(value, measures)
          : walk(value, [...path, key]),
      ]),
    );
  };
  const plain = walk(step, []);
  // Plain numbers were held against their bounds when the recipe was read.
  if (!hasFormula) return plain as Resolved<Step>;
  const parsed = stepSchema.safeParse(plain);
  if (parsed.success) return parsed.data as Resolved<Step>;
  const [{ path, message }] = parsed.error.issues;
  return fail(path as FieldPath, `${message}.`);
}
