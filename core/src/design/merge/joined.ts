import {
  measuresUsedIn,
  step as stepSchema,
  type Measure,
  type Recipe,
  type Step,
} from '../../recipe/index.ts';
import type { Design, Part } from '../design.ts';
import { freeName } from '../parts.ts';
import type { Preferred, Three } from './data.ts';
import { mergedEntries } from './lists.ts';
import { inReferenceOrder } from './referenceOrder.ts';
import { mergedValue } from './values.ts';

/** Two designs that were brought to the same names in one. Where both changed the same, the preferred one's word holds. */
export function joined(of: Three<Design>, preferred: Preferred): Design {
  const { base, mine, theirs } = of;
  const measures = joinedMeasures(
    each(of, (design) => design.measures),
    preferred,
  );
  const entries = mergedEntries(
    each(of, ({ parts }) => parts),
    ({ id }) => id,
    (part) => joinedPart(part, preferred),
  );
  const parts = withOwnNames(entries.length > 0 ? entries : theirs.parts, theirs);
  const wished = mergedValue({ base: base.chosen, mine: mine.chosen, theirs: theirs.chosen }, preferred);
  const chosen = (parts.find(({ id }) => id === wished) ?? parts[0]).id;
  return {
    ...theirs,
    measures,
    parts: parts.map((part) => withUsedMeasures(withoutShared(part, measures), measures, of)),
    chosen,
  };
}

/** A part that takes up the shared measures instead of its own of the same names, as it does when one is shared. */
function withoutShared(part: Part, shared: readonly Measure[]): Part {
  const names = new Set(shared.map(({ name }) => name));
  const measures = part.recipe.measures.filter(({ name }) => !names.has(name));
  return { ...part, recipe: { ...part.recipe, measures } };
}

function joinedPart(of: Three<Part | undefined>, preferred: Preferred): Part {
  const { base, mine, theirs } = of;
  if (!base || !mine || !theirs) return (mine ?? theirs)!;
  const three = { base, mine, theirs };
  const recipes = each(three, ({ recipe }) => recipe);
  return {
    ...theirs,
    name: mergedValue(
      each(three, ({ name }) => name),
      preferred,
    ) as string,
    recipe: {
      ...theirs.recipe,
      measures: joinedMeasures(
        each(recipes, ({ measures }) => measures),
        preferred,
      ),
      steps: joinedSteps(recipes, preferred),
    },
  };
}

function joinedMeasures(of: Three<readonly Measure[]>, preferred: Preferred): Measure[] {
  return mergedEntries(
    of,
    ({ name }) => name,
    (measure) => mergedValue(measure, preferred) as Measure,
  );
}

function joinedSteps(recipes: Three<Recipe>, preferred: Preferred): Step[] {
  const steps = mergedEntries(
    each(recipes, (recipe) => recipe.steps),
    ({ id }) => id,
    (step) => joinedStep(step, preferred),
  );
  // Steps that wait for each other, since each side placed one on the other: then all are as one side has them.
  return inReferenceOrder(steps) ?? recipes[preferred].steps;
}

/** A step that both changed; what its fields would make no step of is as the preferred side has it. */
function joinedStep(of: Three<Step | undefined>, preferred: Preferred): Step {
  const merged = mergedValue(of, preferred);
  if (merged === of.mine || merged === of.theirs) return merged as Step;
  const parsed = stepSchema.safeParse(merged);
  return parsed.success ? parsed.data : of[preferred]!;
}

/** Two new parts of one name: the later one gets a number. */
function withOwnNames(parts: readonly Part[], theirs: Design): Part[] {
  const isTheirs = ({ id, name }: Part) => theirs.parts.some((each) => each.id === id && each.name === name);
  return parts.map((part, at) => {
    const others = parts.filter((_, i) => i !== at);
    const clash = others.find(({ name }) => name === part.name);
    if (!clash || isTheirs(part) || (!isTheirs(clash) && others.indexOf(clash) >= at)) return part;
    return { ...part, name: freeName({ parts: others }, part.name) };
  });
}

/** A part with the measures that one side took out and the other uses meanwhile, as they were. */
function withUsedMeasures(part: Part, shared: readonly Measure[], of: Three<Design>): Part {
  const known = new Set([...shared, ...part.recipe.measures].map(({ name }) => name));
  const before = [of.base, of.mine, of.theirs].flatMap((design) => [
    ...design.measures,
    ...(design.parts.find(({ id }) => id === part.id)?.recipe.measures ?? []),
  ]);
  for (const name of measuresUsedIn(part.recipe)) {
    const gone = known.has(name) ? undefined : before.find((measure) => measure.name === name);
    if (!gone) continue;
    const recipe = { ...part.recipe, measures: [gone, ...part.recipe.measures] };
    return withUsedMeasures({ ...part, recipe }, shared, of);
  }
  return part;
}

/** The same part of all three states. */
function each<From, To>({ base, mine, theirs }: Three<From>, pick: (from: From) => To): Three<To> {
  return { base: pick(base), mine: pick(mine), theirs: pick(theirs) };
}
