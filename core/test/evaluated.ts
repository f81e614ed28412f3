import { topologyOf, type SolidMesh } from '../src/mesh/index.ts';
import {
  createStep,
  emptyRecipe,
  setField,
  type FieldPath,
  type Measure,
  type Recipe,
  type Step,
} from '../src/recipe/index.ts';
import { buildBudget } from '../src/solid/buildBudget.ts';
import { evaluate, type Evaluated, type EvaluationOptions, type Workshop } from '../src/solid/index.ts';

/** A step of a kind as it is when it is new, with some of its fields put to other values. */
export function stepOf<K extends Step['kind']>(
  kind: K,
  id: string,
  on: string | undefined,
  fields: Partial<Extract<Step, { kind: K }>> = {},
): Step {
  return { ...createStep(kind, id, on), ...fields } as Step;
}

export function recipeWith(steps: Step[], measures: Measure[] = []): Recipe {
  return { ...emptyRecipe(), steps, measures };
}

/** A machine that does much else may take long; what is built here is held to its triangles alone. */
const PATIENT = { ...buildBudget, ms: 120_000 };

/** The solid of a recipe; throws what is wrong with it. */
export function built(workshop: Workshop, recipe: Recipe, options: EvaluationOptions = {}): Evaluated {
  const result = evaluate(recipe, workshop, { budget: PATIENT, ...options });
  if (!result.ok) throw new Error(result.problem.message);
  return result;
}

/** The recipe with one field put to another value; throws if that cannot be. */
export function withField(recipe: Recipe, stepId: string, path: FieldPath, value: unknown): Recipe {
  const result = setField(recipe, stepId, path, value);
  if (!result.ok) throw new Error(result.problem.message);
  return result.recipe;
}

/** The number of tunnels through a closed surface of one body, from Euler's formula V − E + F = 2 − 2 g. */
export function genusOf(mesh: SolidMesh): number {
  const faces = mesh.triangles.length / 3;
  const vertices = new Set(mesh.triangles).size;
  return (2 * topologyOf(mesh).bodies - (vertices - (3 * faces) / 2 + faces)) / 2;
}
