import {
  measuresUsedIn,
  setMeasure as setMeasureOfRecipe,
  withMeasureRenamed,
  type Measure,
  type Problem,
  type Recipe,
} from '../recipe/index.ts';
import { partOf, recipeOf, withRecipe, type Design } from './design.ts';
import { withPart, type EditedDesign } from './parts.ts';
import { say } from '../words/index.ts';

/**
 * Shares one of a part's measures with all parts. A part that has a measure of that name takes up the shared one
 * instead, which is how parts that were begun apart come to match.
 */
export function shareMeasure(design: Design, partId: string, name: string): EditedDesign {
  const part = partOf(design, partId);
  const measure = part.recipe.measures.find((each) => each.name === name);
  if (!measure)
    return refused(
      name,
      say('The part “{part}” has no measure “{measure}” of its own.', { part: part.name, measure: name }),
    );
  const shared = new Set(design.measures.map((each) => each.name));
  const unshared = [...measuresUsedIn(measure)].find((each) => !shared.has(each));
  if (unshared !== undefined) {
    return refused(
      name,
      say('“{name}” uses “{unshared}”, which is not shared: share that one first.', { name, unshared }),
    );
  }
  return {
    ok: true,
    design: {
      ...design,
      measures: [...design.measures, measure],
      parts: design.parts.map((each) => ({ ...each, recipe: withoutMeasure(each.recipe, name) })),
    },
  };
}

/** Ends the sharing of a measure: every part that uses it has it as its own from now on, and so has the part named. */
export function unshareMeasure(design: Design, partId: string, name: string): EditedDesign {
  const measure = design.measures.find((each) => each.name === name);
  if (!measure) return refused(name, say('No measure “{name}” is shared.', { name }));
  const user = design.measures.find((each) => each.name !== name && measuresUsedIn(each).has(name));
  if (user)
    return refused(
      name,
      say('The shared measure “{user}” uses “{measure}”: change “{user}” first.', {
        user: user.name,
        measure: name,
      }),
    );
  return {
    ok: true,
    design: {
      ...design,
      measures: design.measures.filter((each) => each !== measure),
      parts: design.parts.map((each) =>
        each.id === partId || measuresUsedIn(each.recipe).has(name)
          ? { ...each, recipe: { ...each.recipe, measures: [measure, ...each.recipe.measures] } }
          : each,
      ),
    },
  };
}

/** Changes a measure of a part; a new name is taken up by every formula that uses it, in all parts if it is shared. */
export function setMeasure(
  design: Design,
  partId: string,
  name: string,
  change: Partial<Measure>,
): EditedDesign {
  const recipe = recipeOf(design, partId);
  const edited = setMeasureOfRecipe(recipe, name, change);
  if (!edited.ok) return edited;
  const changed = withRecipe(design, partId, edited.recipe);
  const isShared = design.measures.some((each) => each.name === name);
  const to = change.name;
  if (!isShared || to === undefined || to === name) return { ok: true, design: changed };
  const clash = changed.parts.find((part) => part.recipe.measures.some((each) => each.name === to));
  if (clash)
    return refused(
      name,
      say('The part “{name}” has a measure called “{to}” already: choose another name.', {
        name: clash.name,
        to,
      }),
    );
  return {
    ok: true,
    design: changed.parts
      .filter(({ id }) => id !== partId)
      .reduce(
        (result, part) => withPart(result, { ...part, recipe: withMeasureRenamed(part.recipe, name, to) }),
        changed,
      ),
  };
}

/** Takes a measure out of a part. Parts that use it, if it is shared, keep it as their own. */
export function removeMeasure(design: Design, partId: string, name: string): EditedDesign {
  const isShared = design.measures.some((each) => each.name === name);
  const own = isShared ? unshareMeasure(design, partId, name) : { ok: true as const, design };
  if (!own.ok) return own;
  const part = partOf(own.design, partId);
  return { ok: true, design: withPart(own.design, { ...part, recipe: withoutMeasure(part.recipe, name) }) };
}

function withoutMeasure(recipe: Recipe, name: string): Recipe {
  return { ...recipe, measures: recipe.measures.filter((each) => each.name !== name) };
}

function refused(measure: string, message: string): { ok: false; problem: Problem } {
  return { ok: false, problem: { measure, message } };
}
