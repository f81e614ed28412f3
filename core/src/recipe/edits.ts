import { isFormula } from './amount.ts';
import { namesIn, withRenamed } from './formula.ts';
import { measure as measureSchema, namedInWords, renamedInWords, type Measure } from './measures.ts';
import type { Problem } from './problem.ts';
import type { Recipe } from './recipe.ts';
import { referencesOf } from './references.ts';
import type { FieldPath } from './sentence.ts';
import {
  canCarry,
  createStep,
  followingChange,
  forgettingStep,
  step as stepSchema,
  type Step,
} from './steps/index.ts';
import { say } from '../words/index.ts';

/** A changed recipe, or why the change cannot be. The recipe that went in is never altered. */
export type Edited = { ok: true; recipe: Recipe } | { ok: false; problem: Problem };

/**
 * Puts a value into one field of a step; undefined leaves the field out, or takes an entry out of a list.
 *
 * @example
 * setField(recipe, 's1', ['outline', 'widthMm'], 80)
 */
export function setField(recipe: Recipe, stepId: string, path: FieldPath, value: unknown): Edited {
  const index = recipe.steps.findIndex(({ id }) => id === stepId);
  if (index < 0) return { ok: false, problem: { message: say('That step is no longer there.') } };
  const parsed = stepSchema.safeParse(withValue(recipe.steps[index], path, value));
  if (!parsed.success) {
    const { message } = parsed.error.issues[0];
    return {
      ok: false,
      problem: { stepId, path, message: say('That does not work here: {message}.', { message }) },
    };
  }
  const changed = followingChange(parsed.data, recipe.steps[index]);
  const edited = withSteps(recipe, recipe.steps.with(index, changed));
  const [was, is] = [calledBy(recipe.steps[index]), calledBy(changed)];
  return { ok: true, recipe: was && is && was !== is ? withMeasureRenamed(edited, was, is) : edited };
}

/** What a step names for others, if it does. */
export function calledBy(step: Step): string | undefined {
  return 'called' in step ? step.called : undefined;
}

/** Puts values into several fields of a step, one after the other; the first that cannot be is what is wrong. */
export function setFields(
  recipe: Recipe,
  stepId: string,
  changes: readonly { readonly path: FieldPath; readonly value: unknown }[],
): Edited {
  return changes.reduce<Edited>(
    (edited, { path, value }) => (edited.ok ? setField(edited.recipe, stepId, path, value) : edited),
    { ok: true, recipe },
  );
}

/** Adds a step of the given kind at the end, placed on `on`, or on the last step that others can stand on. */
export function addStep(recipe: Recipe, kind: Step['kind'], on?: string): Recipe {
  const host = on ?? recipe.steps.findLast((each) => canCarry(each.kind) && !each.off)?.id;
  return withSteps(recipe, [...recipe.steps, createStep(kind, nextId(recipe), host)]);
}

/** Takes a step out. Steps placed on it move to what it was placed on itself, or to the plate; repeats and colours leave it out. */
export function removeStep(recipe: Recipe, stepId: string): Recipe {
  const removed = recipe.steps.find(({ id }) => id === stepId);
  if (!removed) return recipe;
  const on = 'placement' in removed ? removed.placement.on : { plate: true };
  const steps = recipe.steps
    .filter(({ id }) => id !== stepId)
    .map((each) => {
      if (!referencesOf(each).some(({ id }) => id === stepId)) return each;
      let changed: unknown = forgettingStep(each, stepId);
      if ('placement' in each && 'step' in each.placement.on && each.placement.on.step === stepId) {
        changed = withValue(changed, ['placement', 'on'], on);
      }
      if (each.kind === 'repeat') {
        const of = Array.isArray(each.of)
          ? each.of.filter(({ step }) => step !== stepId)
          : sinceAfter(recipe, stepId, each.id);
        changed = withValue(changed, ['of'], of);
      }
      return changed as Step;
    });
  return withSteps(recipe, steps);
}

/** What a step repeats that repeated everything since another, which is taken out: everything since the one after it. */
function sinceAfter({ steps }: Recipe, removedId: string, repeatId: string): unknown {
  const next = steps[steps.findIndex(({ id }) => id === removedId) + 1];
  return next.id === repeatId ? [] : { since: { step: next.id } };
}

/** Moves a step up (−) or down (+) by places; at the ends it stays. */
export function moveStep(recipe: Recipe, stepId: string, by: number): Recipe {
  const from = recipe.steps.findIndex(({ id }) => id === stepId);
  const to = from + by;
  if (from < 0 || to < 0 || to >= recipe.steps.length || by === 0) return recipe;
  const steps = recipe.steps.toSpliced(from, 1);
  return withSteps(recipe, steps.toSpliced(to, 0, recipe.steps[from]));
}

/** The places of steps, from 1, that name another step rightly before a change and wrongly after it. */
export function brokenBy(before: Recipe, after: Recipe): number[] {
  const wrongIn = ({ steps }: Recipe) => {
    const earlier = new Set<string>();
    const wrong = new Set<string>();
    for (const each of steps) {
      if (referencesOf(each).some(({ id }) => !earlier.has(id))) wrong.add(each.id);
      earlier.add(each.id);
    }
    return wrong;
  };
  const already = wrongIn(before);
  const wrong = wrongIn(after);
  return after.steps.flatMap(({ id }, i) => (wrong.has(id) && !already.has(id) ? i + 1 : []));
}

/** Puts a copy of a step right after it. */
export function duplicateStep(
  recipe: Recipe,
  stepId: string,
): { recipe: Recipe; copyId: string } | undefined {
  const at = recipe.steps.findIndex(({ id }) => id === stepId);
  if (at < 0) return undefined;
  const copyId = nextId(recipe);
  const copy = { ...recipe.steps[at], id: copyId, name: undefined };
  delete copy.name;
  // Two steps cannot name what they worked out alike.
  if ('called' in copy) delete copy.called;
  return { recipe: withSteps(recipe, recipe.steps.toSpliced(at + 1, 0, copy)), copyId };
}

/** Adds a measure at the end. Its name is the first free one of `a`, `b`, … */
export function addMeasure(recipe: Recipe): Recipe {
  const taken = new Set(recipe.measures.map(({ name }) => name));
  const letters = [...'abcdefghjkl'];
  const numbered = Array.from({ length: taken.size + 1 }, (_, i) => `measure${i + 1}`);
  const name = [...letters, ...numbered].find((each) => !taken.has(each))!;
  return { ...recipe, measures: [...recipe.measures, { name, value: 10 }] };
}

/** Changes a measure; a new name is taken up by every formula that uses it. */
export function setMeasure(recipe: Recipe, name: string, change: Partial<Measure>): Edited {
  const index = recipe.measures.findIndex((each) => each.name === name);
  const parsed = measureSchema.safeParse({ ...recipe.measures[index], ...change });
  const refuse = (message: string): Edited => ({ ok: false, problem: { message } });
  if (!parsed.success) return refuse(`“${change.name ?? name}”: ${parsed.error.issues[0].message}.`);
  const isTaken = recipe.measures.some((each, i) => i !== index && each.name === parsed.data.name);
  if (isTaken)
    return refuse(
      say('There is a measure called “{name}” already: choose another name.', { name: parsed.data.name }),
    );
  const changed = { ...recipe, measures: recipe.measures.with(index, parsed.data) };
  return {
    ok: true,
    recipe: parsed.data.name === name ? changed : withMeasureRenamed(changed, name, parsed.data.name),
  };
}

/** The recipe with a measure called something else in every formula, and wherever else it is named. */
export function withMeasureRenamed(recipe: Recipe, from: string, to: string): Recipe {
  const walk = (data: unknown, key?: string): unknown => {
    if (isFormula(data)) return { formula: withRenamed(data.formula, from, to) };
    if (key === 'words' && typeof data === 'string') return renamedInWords(data, from, to);
    if (namedMeasure(data) === from) return { measure: to };
    if (Array.isArray(data)) return data.map((each) => walk(each));
    if (typeof data !== 'object' || data === null) return data;
    return Object.fromEntries(Object.entries(data).map(([inner, value]) => [inner, walk(value, inner)]));
  };
  return walk(recipe) as Recipe;
}

/** The names of measures that a piece of a recipe uses, in formulas, in words or by themselves. */
export function measuresUsedIn(data: unknown, key?: string): Set<string> {
  if (isFormula(data)) return new Set(namesIn(data.formula));
  if (key === 'words' && typeof data === 'string') return new Set(namedInWords(data));
  const named = namedMeasure(data);
  if (named !== undefined) return new Set([named]);
  if (typeof data !== 'object' || data === null) return new Set();
  return new Set(Object.entries(data).flatMap(([inner, value]) => [...measuresUsedIn(value, inner)]));
}

/** The measure that data of the form `{ measure: name }` names. */
function namedMeasure(data: unknown): string | undefined {
  const { measure } = (data ?? {}) as { measure?: unknown };
  return typeof measure === 'string' ? measure : undefined;
}

/** Whether a number somewhere in a piece of a recipe is just a measure, and no more is made of it. */
export function isMeasuredBy(data: unknown, measure: string): boolean {
  if (isFormula(data)) return data.formula.trim() === measure;
  if (typeof data !== 'object' || data === null) return false;
  return Object.values(data).some((each) => isMeasuredBy(each, measure));
}

function withSteps(recipe: Recipe, steps: Step[]): Recipe {
  return { ...recipe, steps };
}

/** The first of s1, s2, … above every number in use, so that an id is not used again after a deletion. */
function nextId({ steps }: Pick<Recipe, 'steps'>): string {
  const used = steps.map(({ id }) => Number(/^s(\d+)$/.exec(id)?.[1] ?? 0));
  return `s${Math.max(0, ...used) + 1}`;
}

/** A copy of plain data in which the field at `path` is `value`; only the way to it is copied. */
function withValue(data: unknown, path: FieldPath, value: unknown): unknown {
  if (path.length === 0) return value;
  const [key, ...rest] = path;
  if (Array.isArray(data)) {
    if (rest.length === 0 && value === undefined) return data.toSpliced(key as number, 1);
    if (key === data.length) return [...(data as unknown[]), value];
    return data.with(key as number, withValue(data[key as number], rest, value));
  }
  const inner = withValue((data as Record<string | number, unknown>)[key], rest, value);
  if (inner !== undefined) return { ...(data as object), [key]: inner };
  return Object.fromEntries(Object.entries(data as object).filter(([name]) => name !== String(key)));
}
