import { createStep, referencesOf, step as stepSchema, type Step } from './steps/index.ts';
import type { FieldPath } from './sentence.ts';
import type { Problem } from './problem.ts';
import type { Recipe } from './recipe.ts';

/** A changed recipe, or why the change cannot be. The recipe that went in is never altered. */
export type Edited = { ok: true; recipe: Recipe } | { ok: false; problem: Problem };

/**
 * Puts a value into one field of a step.
 *
 * @example
 * setField(recipe, 's1', ['outline', 'widthMm'], 80)
 */
export function setField(recipe: Recipe, stepId: string, path: FieldPath, value: unknown): Edited {
  const index = recipe.steps.findIndex(({ id }) => id === stepId);
  if (index < 0) return { ok: false, problem: { message: 'That step is no longer there.' } };
  const parsed = stepSchema.safeParse(withValue(recipe.steps[index], path, value));
  if (!parsed.success) {
    const { message } = parsed.error.issues[0];
    return { ok: false, problem: { stepId, path, message: `That does not work here: ${message}.` } };
  }
  return { ok: true, recipe: withSteps(recipe, recipe.steps.with(index, parsed.data)) };
}

/** Adds a step of the given kind at the end, placed on the first step that others can stand on. */
export function addStep(recipe: Recipe, kind: Step['kind']): Recipe {
  const host = recipe.steps.find((each) => each.kind === 'extrude');
  return withSteps(recipe, [...recipe.steps, createStep(kind, nextId(recipe), host?.id)]);
}

/** Takes a step out. Steps placed on it move to what it was placed on itself, or to the plate. */
export function removeStep(recipe: Recipe, stepId: string): Recipe {
  const removed = recipe.steps.find(({ id }) => id === stepId);
  if (!removed) return recipe;
  const steps = recipe.steps
    .filter(({ id }) => id !== stepId)
    .map((each) =>
      referencesOf(each).includes(stepId)
        ? { ...each, placement: { ...each.placement, on: removed.placement.on } }
        : each,
    );
  return withSteps(recipe, steps);
}

/** Moves a step up (−1) or down (+1) by places; at the ends it stays. */
export function moveStep(recipe: Recipe, stepId: string, by: number): Recipe {
  const from = recipe.steps.findIndex(({ id }) => id === stepId);
  const to = from + by;
  if (from < 0 || to < 0 || to >= recipe.steps.length) return recipe;
  const steps = recipe.steps.toSpliced(from, 1);
  return withSteps(recipe, steps.toSpliced(to, 0, recipe.steps[from]));
}

function withSteps(recipe: Recipe, steps: Step[]): Recipe {
  return { ...recipe, steps };
}

/** The first of s1, s2, … above every number in use, so that an id is not used again after a deletion. */
function nextId({ steps }: Recipe): string {
  const used = steps.map(({ id }) => Number(/^s(\d+)$/.exec(id)?.[1] ?? 0));
  return `s${Math.max(0, ...used) + 1}`;
}

/** A copy of plain data in which the field at `path` is `value`; only the way to it is copied. */
function withValue(data: unknown, path: FieldPath, value: unknown): unknown {
  if (path.length === 0) return value;
  const [key, ...rest] = path;
  const inner = (data as Record<string | number, unknown>)[key];
  if (Array.isArray(data)) return data.with(key as number, withValue(inner, rest, value));
  return { ...(data as object), [key]: withValue(inner, rest, value) };
}
