import * as z from 'zod';
import {
  additionsOf,
  createStep,
  emptyRecipe,
  plainSentence,
  RECIPE_VERSION,
  sentenceOf,
  step as stepSchema,
  stepKinds,
  withUnit,
  type Recipe,
  type Step,
  type Token,
} from '../recipe/index.ts';
import { lessonObjects } from './lessonObjects/index.ts';
import { starters } from '../starters/index.ts';

/** The part of a JSON Schema that is written about here; amounts carry their bounds in it. */
interface Schema {
  readonly type?: string;
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly items?: Schema;
  readonly prefixItems?: readonly Schema[];
  readonly maxItems?: number;
  readonly maxLength?: number;
  readonly unit?: string;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly whole?: boolean;
}

/** The recipe format in Markdown, made from its schema: every step with its fields, their units and an example. */
export function recipeDocument(): string {
  const { oneOf = [], anyOf = [] } = z.toJSONSchema(stepSchema, { io: 'input', reused: 'inline' }) as Schema;
  const schemas = [...oneOf, ...anyOf];
  const steps = stepKinds.map(({ kind, label }) => {
    const schema = schemas.find(({ properties }) => properties?.kind.const === kind)!;
    return stepSection(kind, label, schema);
  });
  return `${[head(), ...steps, outlineSection(schemas)].join('\n\n')}\n`;
}

function head(): string {
  return [
    '# The recipe format',
    '',
    '<!-- Made from the schema by “./run docs”; a test holds it against the code. -->',
    '',
    'A recipe is JSON:',
    '',
    '```json',
    JSON.stringify(
      {
        format: 'kelbrin-recipe',
        version: RECIPE_VERSION,
        measures: [{ name: 'cane', value: 8 }],
        steps: [],
      },
      null,
      2,
    ),
    '```',
    '',
    'Steps are carried out from the top. Every step has an `id` of its own and a `kind`; it may have a `name`, and',
    '`"off": true` switches it off. Lengths are millimetres, angles degrees; x runs right, y to the back, z up, and the',
    'origin is the middle of the plate.',
    '',
    '**Amounts.** Wherever a unit stands below, a number can stand, or `{ "formula": "cane + 0.4" }`: plain arithmetic with',
    'units (`2in`, `1.5 cm`), measures, `pi` and functions: `sqrt`, `abs`, `round` (`round(7.3; 0.5)` is 7.5), `min` and `max`',
    'with `;` between their numbers, `sin`, `cos` and `tan` of degrees, and `asin`, `acos` and `atan`, which give degrees.',
    'Bounds hold for what comes out. A measure may have a `tolerance`, which drawing sheets say: `{ "name": "cane", "value": 8,',
    '"tolerance": 0.1 }`. In `words`, a measure between braces is written as it is worth: `"Ø {cane}"`.',
    '',
    '**Placement.** `{ "on": { "step": "s1" }, "x": …, "y": …, "z": … }`, or `"on": { "plate": true }`. Along each axis:',
    '',
    '| relation | fields | meaning |',
    '| --- | --- | --- |',
    '| `centred` | `mm`? | middle on middle, moved by `mm` |',
    '| `inFrom` | `edge`, `mm` | inside, `mm` from the `low` or `high` edge of the host |',
    '| `beside` | `edge`, `overlapMm` | outside that edge, reaching in by the overlap |',
    '| `share` | `percent` | the middle at that share of the way across the host |',
    '| `at` | `own`, `mm` | the `low` edge, `middle` or `high` edge at a distance from the plate’s middle, or a height |',
    '',
    '**Older versions** are migrated as they are read; `core/src/recipe/migrations.ts` holds the migrations as data.',
  ].join('\n');
}

function stepSection(kind: Step['kind'], label: string, schema: Schema): string {
  const { recipe, index } = exampleOf(kind);
  const own = Object.entries(schema.properties ?? {}).filter(
    ([key]) => !['id', 'kind', 'name', 'off'].includes(key),
  );
  return [
    `## \`${kind}\`: ${label}`,
    '',
    `> ${plainSentence(sentenceOf(recipe.steps[index], { recipe, index }))}`,
    '',
    `![${label}](recipe/${kind}.png)`,
    '',
    '| field | value |',
    '| --- | --- |',
    ...own.flatMap(([key, field]) => rows(key, field, !(schema.required ?? []).includes(key))),
    '',
    '```json',
    JSON.stringify(recipe.steps[index], null, 2),
    '```',
    '',
    ...newStep(kind),
  ].join('\n');
}

/** A step as it is when it is new, and what can be added to its sentence. */
function newStep(kind: Step['kind']): string[] {
  const created = createStep(kind, 's2', 's1');
  const clauses = additionsOf(created).map(
    ({ label, path, value }) => `- ${label}: \`${path.join('.')}\` becomes \`${JSON.stringify(value)}\``,
  );
  const tokens = sentenceOf(created, { recipe: { ...emptyRecipe(), steps: [created] }, index: 0 });
  return [
    `A new one, on another step, is \`${JSON.stringify(created)}\`.`,
    ...numbersOf(tokens),
    ...(clauses.length > 0 ? ['', 'What can be added to its sentence:', '', ...clauses] : []),
  ];
}

/** The outlines, once for all steps that take one. */
function outlineSection(schemas: readonly Schema[]): string {
  const extrude = schemas.find(({ properties }) => properties?.kind.const === 'extrude')!;
  const shapes = alternatives(extrude.properties!.outline);
  return [
    '## Outlines',
    '',
    ...shapes.flatMap(({ properties = {}, required = [] }) => [
      `### \`${String(properties.shape.const)}\``,
      '',
      '| field | value |',
      '| --- | --- |',
      ...Object.entries(properties)
        .filter(([key]) => key !== 'shape')
        .flatMap(([key, field]) => rows(key, field, !required.includes(key))),
      '',
      ...newOutline(properties.shape.const),
    ]),
  ]
    .join('\n')
    .trimEnd();
}

/** The numbers of a sentence, from what to what they go, and by how much at a press of an arrow key. */
function numbersOf(tokens: readonly Token[]): string[] {
  const numbers = tokens.flatMap((token) =>
    token.type === 'number'
      ? `${token.label} ${withUnit(token.min, token.unit)} to ${withUnit(token.max, token.unit)} by ${token.nudge}`
      : [],
  );
  return numbers.length > 0 ? ['', `Its sentence counts: ${numbers.join('; ')}.`] : [];
}

/** A drawing of many points, which takes more letters than this, says nothing to a reader. */
const LONGEST_EXAMPLE = 400;

/** What a circle of Ø 20 mm becomes when a sentence exchanges it for another outline. */
function newOutline(shape: unknown): string[] {
  const circle = { ...createStep('extrude', 's1'), outline: { shape: 'circle', diameterMm: 20 } } as Step;
  const recipe = { ...emptyRecipe(), steps: [circle] };
  const offered = sentenceOf(circle, { recipe, index: 0 }).flatMap((token) =>
    token.type === 'choice' && token.path.join() === 'outline' ? token.options : [],
  );
  const made = offered.find(({ value }) => (value as { shape: unknown }).shape === shape);
  if (!made) return [];
  const step = { ...circle, outline: made.value } as Step;
  const tokens = sentenceOf(step, { recipe: { ...recipe, steps: [step] }, index: 0 });
  const own = tokens.filter((token) => 'path' in token && token.path[0] === 'outline');
  const example =
    JSON.stringify(made.value).length < LONGEST_EXAMPLE
      ? [`In place of a circle of Ø 20 mm it is \`${JSON.stringify(made.value)}\` to begin with.`]
      : [];
  return [...example, ...numbersOf(own), ''];
}

/** A row for a field, and rows for the fields inside it. */
function rows(path: string, field: Schema, isOptional: boolean): string[] {
  const row = (words: string) => [`| \`${path}\`${isOptional ? ' (may be left out)' : ''} | ${words} |`];
  if (path.endsWith('placement')) return row('where it lies, see above');
  if (path.endsWith('outline') || path === 'profile') return row('an outline, see below');
  if (path.endsWith('about')) return row('a step or the plate');
  const words = plainWords(field);
  if (words !== undefined) return row(words);
  const choices = alternatives(field);
  if (choices.length > 0) {
    const inner = choices.flatMap((choice) => {
      const [tag, ...rest] = Object.entries(choice.properties ?? {});
      const own = plainWords(choice);
      if (own !== undefined) return [`| \`${path}\` | ${own} |`];
      // What has no mark of its own is known by what it is: a list, or the fields it has.
      if (!tag || (tag[1].const === undefined && rest.length > 0) || tag[1].properties)
        return rows(path, choice, false);
      const named = tag[1].const === undefined ? tag[0] : `${tag[0]}: ${String(tag[1].const)}`;
      if (rest.length === 0)
        return [`| \`${path}\` with \`${named}\` | ${plainWords(tag[1]) ?? 'nothing more'} |`];
      return rest.flatMap(([key, each]) =>
        rows(`${path}.${key}`, each, !(choice.required ?? []).includes(key)).map((line) =>
          line.replace('` |', `\` with \`${named}\` |`).replace('` (may', `\` with \`${named}\` (may`),
        ),
      );
    });
    return [...row('one of these'), ...inner];
  }
  if (field.type === 'array' && field.items) {
    const inner = Object.entries(field.items.properties ?? {});
    return [
      ...row(`a list${field.maxItems === undefined ? '' : ` of at most ${field.maxItems}`}`),
      ...inner.flatMap(([key, each]) =>
        rows(`${path}[].${key}`, each, !(field.items?.required ?? []).includes(key)),
      ),
    ];
  }
  return Object.entries(field.properties ?? {}).flatMap(([key, each]) =>
    rows(`${path}.${key}`, each, isOptional || !(field.required ?? []).includes(key)),
  );
}

/** What a field without fields of its own may hold; undefined for others. */
function plainWords(field: Schema): string | undefined {
  if (field.unit !== undefined) {
    const unit = field.unit === '' ? 'a whole number' : field.unit;
    return `${unit}, ${field.minimum} to ${field.maximum}`;
  }
  if (field.const !== undefined) return `\`${JSON.stringify(field.const)}\``;
  if (field.enum) return field.enum.map((value) => `\`${String(value)}\``).join(', ');
  if (field.type === 'string')
    return field.maxLength === undefined ? 'text' : `text of at most ${field.maxLength} signs`;
  if (field.type === 'boolean') return '`true` or `false`';
  if (field.type === 'number') return 'a number';
  if (field.type === 'integer') return `a whole number, ${field.minimum} to ${field.maximum}`;
  if (field.type === 'array' && field.items?.type === 'integer') return 'a list of whole numbers';
  if (field.prefixItems) return `${field.prefixItems.length} numbers`;
  if (field.type === 'array' && field.items?.type === 'array') return 'lists of numbers';
  return undefined;
}

function alternatives(field: Schema): readonly Schema[] {
  return field.oneOf ?? field.anyOf ?? [];
}

/** A recipe with a step of a kind that a starter shows, or else on a new one; and where it stands. */
export function exampleOf(kind: Step['kind']): { recipe: Recipe; index: number } {
  for (const { recipe } of [...starters, ...lessonObjects]) {
    const index = recipe.steps.findIndex((step) => step.kind === kind);
    if (index >= 0) return { recipe, index };
  }
  const { recipe } = starters[0];
  return {
    recipe: { ...recipe, steps: [...recipe.steps, createStep(kind, 's9')] },
    index: recipe.steps.length,
  };
}
