import { customType } from 'drizzle-orm/pg-core';
import { parseDesign, type Design } from '@kelbrin/core/design';
import { parseGuidance, type Guidance } from '@kelbrin/core/guide';
import { parseBriefRules, parseLimits, type BriefRules, type LimitsCard } from '@kelbrin/core/inspect';
import { parseRecipe, type Recipe } from '@kelbrin/core/recipe';
import { taskText, type TaskText } from '../../../../shared/taskText.ts';

/*
 * Documents of the core, kept as JSON. What was stored by an older Kelbrin is migrated as it is read, so that all other
 * code sees the newest form alone.
 */

const read = (value: unknown): unknown => (typeof value === 'string' ? JSON.parse(value) : value);

/** A recipe, kept as it was written with its keys in order, so that equal recipes are equal text. */
export const recipeDocument = customType<{ data: Recipe; driverData: unknown }>({
  dataType: () => 'json',
  toDriver: (recipe) => JSON.stringify(recipe),
  fromDriver(value) {
    const parsed = parseRecipe(read(value));
    if (!parsed.ok) throw new Error(`A stored recipe cannot be read: ${parsed.problem.message}`);
    return parsed.recipe;
  },
});

/** The parts of a project; what was a single recipe once is a design of one part. */
export const designDocument = customType<{ data: Design; driverData: unknown }>({
  dataType: () => 'json',
  toDriver: (design) => JSON.stringify(design),
  fromDriver(value) {
    const parsed = parseDesign(read(value));
    if (!parsed.ok) throw new Error(`A stored design cannot be read: ${parsed.problem.message}`);
    return parsed.design;
  },
});

/** A limits card; fields that came later take the classroom's values. */
export const limitsDocument = customType<{ data: LimitsCard; driverData: unknown }>({
  dataType: () => 'jsonb',
  toDriver: (card) => JSON.stringify(card),
  fromDriver(value) {
    const parsed = parseLimits(read(value));
    if (!parsed.ok) throw new Error(`A stored limits card cannot be read: ${parsed.message}`);
    return parsed.limits;
  },
});

/** What a brief asks beyond the limits card. */
export const rulesDocument = customType<{ data: BriefRules; driverData: unknown }>({
  dataType: () => 'jsonb',
  toDriver: (rules) => JSON.stringify(rules),
  fromDriver(value) {
    const parsed = parseBriefRules(read(value));
    if (!parsed.ok) throw new Error(`Stored rules of a brief cannot be read: ${parsed.message}`);
    return parsed.rules;
  },
});

/** The prompts of a brief, in order. */
export const guidanceDocument = customType<{ data: Guidance; driverData: unknown }>({
  dataType: () => 'jsonb',
  toDriver: (guidance) => JSON.stringify(guidance),
  fromDriver(value) {
    const parsed = parseGuidance(read(value));
    if (!parsed.ok) throw new Error(`Stored prompts of a brief cannot be read: ${parsed.message}`);
    return parsed.guidance;
  },
});

/** The task of a brief, as formatted text. */
export const taskDocument = customType<{ data: TaskText; driverData: unknown }>({
  dataType: () => 'jsonb',
  toDriver: (task) => JSON.stringify(task),
  fromDriver: (value) => taskText.parse(read(value)),
});
