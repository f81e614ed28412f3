import * as z from 'zod';
import { measure } from './measures.ts';
import { migrations } from './migrations.ts';
import { referencesOf } from './references.ts';
import type { Problem } from './problem.ts';
import type { FieldPath } from './sentence.ts';
import { createStep, sentenceOf, step, stepKinds } from './steps/index.ts';
import { say } from '../words/index.ts';

/** The number of the recipe format that this code reads and writes; older ones are migrated on reading. */
export const RECIPE_VERSION = 7;

/** The most that a recipe holds. */
const MOST_STEPS = 200;
const MOST_MEASURES = 50;

/** A recipe: the ordered steps that make one part. */
export const recipe = z
  .strictObject({
    format: z.literal('kelbrin-recipe'),
    version: z.literal(RECIPE_VERSION),
    /** Named numbers, each of which may use those above it. */
    measures: z.array(measure).max(MOST_MEASURES, {
      error: () => say('a part has at most {most} measures', { most: MOST_MEASURES }),
    }),
    steps: z
      .array(step)
      .max(MOST_STEPS, { error: () => say('a recipe has at most {most} steps', { most: MOST_STEPS }) }),
  })
  .superRefine(({ steps, measures }, context) => {
    measures.forEach(({ name }, index) => {
      if (measures.findIndex((other) => other.name === name) < index) {
        context.addIssue({
          code: 'custom',
          path: ['measures', index],
          message: say('there are two measures called “{name}”', { name }),
        });
      }
    });
    const seen = new Set<string>();
    steps.forEach(({ id }, index) => {
      if (seen.has(id)) {
        context.addIssue({
          code: 'custom',
          path: ['steps', index, 'id'],
          message: say('is the id of an earlier step too'),
        });
      }
      seen.add(id);
    });
  });
export type Recipe = z.infer<typeof recipe>;

/** A recipe without any step. */
export function emptyRecipe(): Recipe {
  return { format: 'kelbrin-recipe', version: RECIPE_VERSION, measures: [], steps: [] };
}

/** Either a recipe or one sentence that says what is wrong with the data and where. */
export type ParsedRecipe = { ok: true; recipe: Recipe } | { ok: false; problem: Problem };

/**
 * Reads a recipe from untrusted data, migrating older formats.
 *
 * @example
 * parseRecipe({ format: 'kelbrin-recipe', version: 7, measures: [], steps: [] }) // { ok: true, recipe: … }
 */
export function parseRecipe(data: unknown): ParsedRecipe {
  let current = data;
  for (const { from, migrate } of migrations) {
    const version = (current as { version?: unknown } | null)?.version;
    if (version === from) current = migrate(current);
  }
  const parsed = recipe.safeParse(current);
  if (parsed.success) return { ok: true, recipe: parsed.data };
  const { path, message } = parsed.error.issues[0];
  if (path.length === 0 || path[0] !== 'steps' || typeof path[1] !== 'number') {
    const where = path.length > 0 ? say(' (at {path})', { path: path.join(' › ') }) : '';
    return {
      ok: false,
      problem: { message: say('Kelbrin cannot read this recipe: {message}{where}.', { message, where }) },
    };
  }
  const stepId = (current as { steps: { id?: unknown }[] }).steps[path[1]]?.id;
  const inner = path.slice(2) as (string | number)[];
  return {
    ok: false,
    problem: {
      stepId: typeof stepId === 'string' ? stepId : undefined,
      path: inner,
      message: say('Step {number}{place}: {message}.', {
        number: path[1] + 1,
        place: inner.length > 0 ? `, ${fieldWords(current, path[1], inner)}` : '',
        message,
      }),
    },
  };
}

/** What a field of a step is called in its sentence; the keys that lead to it where a step of its kind has no such field. */
function fieldWords(data: unknown, index: number, path: FieldPath): string {
  const { kind } = (data as { steps: { kind?: unknown }[] }).steps[index] ?? {};
  const known = stepKinds.find((each) => each.kind === kind);
  if (known) {
    const like = createStep(known.kind, 's1');
    const tokens = sentenceOf(like, { recipe: { steps: [like], measures: [] }, index: 0 });
    const token = tokens.find((each) => 'path' in each && each.path.join() === path.join());
    if (token && 'label' in token) return token.label;
  }
  return path.join(' › ');
}

/** Whether two recipes say the same, whatever the order of their keys. */
export function sameRecipe(a: Recipe, b: Recipe): boolean {
  // Reading puts the keys into the order of the schema.
  return JSON.stringify(recipe.parse(a)) === JSON.stringify(recipe.parse(b));
}

/** The first step that names a step which does not come before it or is switched off, if there is one. */
export function referenceProblem({ steps }: Recipe): Problem | undefined {
  const earlier = new Set<string>();
  for (const [index, each] of steps.entries()) {
    if (each.off) continue;
    for (const { id, path } of referencesOf(each)) {
      if (earlier.has(id)) continue;
      const at = steps.findIndex((other) => other.id === id);
      const what =
        at < 0
          ? say('a step that is no longer there')
          : at < index
            ? say('step {at}, which is switched off', { at: at + 1 })
            : say('step {at}, which does not come before it: move that step up, or choose an earlier one', {
                at: at + 1,
              });
      return {
        stepId: each.id,
        path,
        message: say('Step {index} names {what}.', { index: index + 1, what }),
      };
    }
    earlier.add(each.id);
  }
  return undefined;
}
