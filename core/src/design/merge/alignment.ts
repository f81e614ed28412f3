import { calledBy, removeStep, setField, type Measure, type Step } from '../../recipe/index.ts';
import { partOf, type Design, type Part } from '../design.ts';
import { withPart, type EditedDesign } from '../parts.ts';
import { setMeasure, shareMeasure, unshareMeasure } from '../sharedMeasures.ts';
import { sameData, type Three } from './data.ts';

/*
 * Some edits reach far: a measure that is called otherwise is so in every formula, and what stood on a step that is gone
 * stands on something else. Such an edit of one side is made on the other side too, and on what both began from, before
 * their fields are held against each other. So a formula that the other one wrote meanwhile follows the new name.
 */

/** The states as they are when each side has made the far-reaching edits of the other. */
export function aligned(of: Three<Design>): Three<Design> {
  return [sharingLike, measuresNamedLike, stepsNamedLike, withoutStepsLike].reduce((three, like) => {
    const { base, mine, theirs } = three;
    const byMine = like(base, mine, theirs);
    const byTheirs = like(byMine.base, byMine.other, mine);
    return { base: byTheirs.base, mine: byTheirs.other, theirs: byMine.other };
  }, of);
}

/** What both began from and what the other side made of it, after an edit was made on both. */
interface Followed {
  readonly base: Design;
  readonly other: Design;
}

/** Makes an edit on both; one that cannot be made on either is made on none. */
function followed(of: Followed, edit: (design: Design) => EditedDesign): Followed {
  const base = edit(of.base);
  const other = edit(of.other);
  return base.ok && other.ok ? { base: base.design, other: other.design } : of;
}

const names = (measures: readonly Measure[]) => measures.map(({ name }) => name);

/** Parts that all three have. */
function partsOfAll(...[first, ...others]: readonly Design[]): Part[] {
  return first.parts.filter((part) => others.every(({ parts }) => parts.some(({ id }) => id === part.id)));
}

/** Shares the measures that one side shared, and no longer those that it keeps for itself. */
function sharingLike(base: Design, side: Design, other: Design): Followed {
  let result: Followed = { base, other };
  for (const { id } of partsOfAll(base, side, other)) {
    const wasShared = new Set(names(base.measures));
    const isShared = new Set(names(side.measures));
    for (const name of names(partOf(base, id).recipe.measures))
      if (isShared.has(name) && !wasShared.has(name))
        result = followed(result, (design) => shareMeasure(design, id, name));
    for (const name of names(partOf(side, id).recipe.measures))
      if (wasShared.has(name) && !isShared.has(name))
        result = followed(result, (design) => unshareMeasure(design, id, name));
  }
  return result;
}

/** Calls measures as one side does. */
function measuresNamedLike(base: Design, side: Design, other: Design): Followed {
  const parts = partsOfAll(base, side, other);
  const shared = renamed(base.measures, side.measures).map((rename) => ({ partId: parts[0]?.id, ...rename }));
  const own = parts.flatMap(({ id, recipe }) =>
    renamed(recipe.measures, partOf(side, id).recipe.measures).map((rename) => ({ partId: id, ...rename })),
  );
  return [...shared, ...own].reduce<Followed>(
    (result, { partId, from, to }) =>
      partId === undefined
        ? result
        : followed(result, (design) => setMeasure(design, partId, from, { name: to })),
    { base, other },
  );
}

/** Measures that stand where others stood which are gone. */
function renamed(before: readonly Measure[], after: readonly Measure[]): { from: string; to: string }[] {
  if (before.length !== after.length) return [];
  const old = new Set(names(before));
  const now = new Set(names(after));
  return before.flatMap(({ name }, i) => {
    const to = after[i].name;
    return now.has(name) || old.has(to) ? [] : { from: name, to };
  });
}

/** Has steps name what they work out as one side does. */
function stepsNamedLike(base: Design, side: Design, other: Design): Followed {
  return eachStep(base, side, other, (result, partId, before, after) => {
    const from = calledBy(before);
    const to = after && calledBy(after);
    if (from === undefined || to === undefined || from === to) return result;
    return followed(result, (design) => {
      const part = partOf(design, partId);
      const step = part.recipe.steps.find(({ id }) => id === before.id);
      if (!step || calledBy(step) !== from) return { ok: false, problem: { message: '' } };
      const edited = setField(part.recipe, before.id, ['called'], to);
      return edited.ok ? { ok: true, design: withPart(design, { ...part, recipe: edited.recipe }) } : edited;
    });
  });
}

/** Takes out the steps that one side took out, where the other left them as they were. */
function withoutStepsLike(base: Design, side: Design, other: Design): Followed {
  return eachStep(base, side, other, (result, partId, before, after) => {
    const stepIn = (design: Design) => partOf(design, partId).recipe.steps.find(({ id }) => id === before.id);
    if (after || !sameData(stepIn(result.base), stepIn(result.other))) return result;
    return followed(result, (design) => {
      const part = partOf(design, partId);
      return { ok: true, design: withPart(design, { ...part, recipe: removeStep(part.recipe, before.id) }) };
    });
  });
}

/** Goes through the steps that were there in the beginning, with what one side made of each. */
function eachStep(
  base: Design,
  side: Design,
  other: Design,
  follow: (result: Followed, partId: string, before: Step, after: Step | undefined) => Followed,
): Followed {
  return partsOfAll(base, side, other).reduce<Followed>(
    (result, { id, recipe }) => {
      const now = new Map(partOf(side, id).recipe.steps.map((step) => [step.id, step]));
      return recipe.steps.reduce((each, step) => follow(each, id, step, now.get(step.id)), result);
    },
    { base, other },
  );
}
