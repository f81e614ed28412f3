import * as z from 'zod';
import { measure, parseRecipe, recipe, emptyRecipe, type Problem, type Recipe } from '../recipe/index.ts';
import { migrations } from './migrations.ts';
import { say } from '../words/index.ts';

/** The number of the design format that this code reads and writes; older ones are migrated on reading. */
export const DESIGN_VERSION = 1;

/** One printable object of a project. Its recipe holds the measures that are its own; see {@link recipeOf}. */
const part = z.strictObject({
  id: z.string().regex(/^p\d{1,4}$/),
  name: z.string().trim().min(1).max(40),
  recipe,
});
export type Part = z.infer<typeof part>;

/** Everything that a project holds: its parts, the measures they share, and the part that is handed in. */
const design = z
  .strictObject({
    format: z.literal('kelbrin-design'),
    version: z.literal(DESIGN_VERSION),
    /** The measures that every part has, above its own. */
    measures: z.array(measure).max(50, { error: () => say('all parts share at most 50 measures') }),
    parts: z
      .array(part)
      .min(1)
      .max(20, { error: () => say('a project holds at most 20 parts') }),
    /** The id of the part that is handed in. */
    chosen: z.string(),
  })
  .superRefine(({ measures, parts, chosen }, context) => {
    const complain = (message: string) => context.addIssue({ code: 'custom', message });
    if (new Set(parts.map(({ id }) => id)).size < parts.length) complain(say('two parts have the same id'));
    if (new Set(parts.map(({ name }) => name)).size < parts.length)
      complain(say('two parts have the same name'));
    if (!parts.some(({ id }) => id === chosen)) complain(say('the part to hand in is not among the parts'));
    for (const { name, recipe } of parts) {
      const names = [...measures, ...recipe.measures].map((each) => each.name);
      const twice = names.find((each, i) => names.indexOf(each) < i);
      if (twice !== undefined)
        complain(say('the part “{name}” has the measure “{twice}” twice', { name, twice }));
      if (recipe.measures.some(({ shared }) => shared))
        complain(say('the part “{name}” keeps a shared measure', { name }));
    }
    if (measures.some(({ shared }) => shared)) complain(say('a measure of all parts needs no mark'));
  });
export type Design = z.infer<typeof design>;

/** A design of one part. */
export function designOf(recipe: Recipe = emptyRecipe(), name = 'Part'): Design {
  const empty: Design = {
    format: 'kelbrin-design',
    version: DESIGN_VERSION,
    measures: [],
    parts: [{ id: 'p1', name, recipe: emptyRecipe() }],
    chosen: 'p1',
  };
  return withRecipe(empty, 'p1', recipe);
}

/** Either a design or one sentence that says what is wrong with the data. */
export type ParsedDesign = { ok: true; design: Design } | { ok: false; problem: Problem };

/** Reads a design from untrusted data, migrating older formats of it and of the recipes in it. */
export function parseDesign(data: unknown): ParsedDesign {
  let current = data;
  for (const { reads, migrate } of migrations) if (reads(current)) current = migrate(current);
  const parts = (current as { parts?: unknown } | null)?.parts;
  if (Array.isArray(parts)) {
    const read = parts.map((each: { recipe?: unknown } | null) => parseRecipe(each?.recipe));
    const broken = read.find(({ ok }) => !ok);
    if (broken && !broken.ok) return broken;
    current = {
      ...(current as object),
      parts: parts.map((each: object, i) => ({ ...each, recipe: read[i].ok ? read[i].recipe : undefined })),
    };
  }
  const parsed = design.safeParse(current);
  if (parsed.success) return { ok: true, design: parsed.data };
  const { path, message } = parsed.error.issues[0];
  const where = path.length > 0 ? say(' (at {path})', { path: path.join(' › ') }) : '';
  return {
    ok: false,
    problem: { message: say('Kelbrin cannot read this design: {message}{where}.', { message, where }) },
  };
}

/**
 * What keeps a design from being kept, in a sentence; undefined for one that can be. Everything that an edit makes is held
 * against the schema before it is taken, so that what is shown can always be saved.
 */
export function designProblem(of: Design): Problem | undefined {
  const parsed = design.safeParse(of);
  if (parsed.success) return undefined;
  const { message } = parsed.error.issues[0];
  return { message: say('That cannot be: {message}.', { message }) };
}

/** Whether two designs say the same, whatever the order of their keys. */
export function sameDesign(a: Design, b: Design): boolean {
  return JSON.stringify(design.parse(a)) === JSON.stringify(design.parse(b));
}

/** The part with an id; throws for one that is not there. */
export function partOf({ parts }: Design, partId: string): Part {
  const found = parts.find(({ id }) => id === partId);
  if (!found) throw new Error(`There is no part ${partId}.`);
  return found;
}

/** The whole recipe of a part, by default of the one that is handed in: the shared measures stand above its own. */
export function recipeOf(of: Design, partId = of.chosen): Recipe {
  const { recipe } = partOf(of, partId);
  const shared = of.measures.map((each) => ({ ...each, shared: true as const }));
  return { ...recipe, measures: [...shared, ...recipe.measures] };
}

/** The design with another recipe for a part; what is changed in a shared measure holds for all parts. */
export function withRecipe(of: Design, partId: string, recipe: Recipe): Design {
  const measures = recipe.measures.flatMap(({ shared, ...rest }) => (shared ? rest : []));
  const own = { ...recipe, measures: recipe.measures.filter(({ shared }) => !shared) };
  return {
    ...of,
    measures,
    parts: of.parts.map((each) => (each.id === partId ? { ...each, recipe: own } : each)),
  };
}
