import { designProblem, type Design } from '../design.ts';
import { designDifferences, type DesignChanges } from '../differences.ts';
import { aligned } from './alignment.ts';
import { sameData } from './data.ts';
import { freshIds, withFreshIds } from './freshIds.ts';
import { joined } from './joined.ts';

/** Two people's changes of one design, in one. */
export interface Merge {
  /** What both made of it. Where both changed the very same thing, it is as the other one left it. */
  readonly design: Design;
  /** The same, with my word where both changed the same thing; the same object where they did not. */
  readonly withMine: Design;
  /** What I would change back by my word, where both changed the same thing. */
  readonly clashes: readonly DesignChanges[];
  /** A state of mine in the ids that my new parts and steps got, where the other side had taken theirs. */
  renamed(state: Design): Design;
}

/**
 * Merges what two people made of one design: by part, step and field, so that edits of different things are both there.
 * Undefined if what comes of it cannot be kept, as when both together have too many parts.
 *
 * @example
 * mergeDesigns(base, withField(base, 's1', 'widthMm', 80), withField(base, 's2', 'mm', 3)) // has both
 */
export function mergeDesigns(base: Design, mine: Design, theirs: Design): Merge | undefined {
  const whole = (design: Design): Merge => ({
    design,
    withMine: design,
    clashes: [],
    renamed: (state) => state,
  });
  if (sameData(base, theirs)) return whole(mine);
  if (sameData(base, mine)) return whole(theirs);
  const renamed = renaming(base, mine, theirs);
  const three = aligned({ base, mine: renamed(mine), theirs });
  const design = joined(three, 'theirs');
  const withMine = joined(three, 'mine');
  if (designProblem(design)) return undefined;
  if (sameData(design, withMine)) return { ...whole(design), renamed };
  if (designProblem(withMine)) return undefined;
  return { design, withMine, clashes: designDifferences(design, withMine), renamed };
}

/**
 * A state that lies in my past or future, with what the other one changed brought into it: going back takes back what I
 * did and nothing else. `before` and `after` are what I saw when that change came in, `before` in the ids that hold now.
 */
export function withTheirChange(state: Design, before: Design, after: Design): Design {
  if (sameData(state, before)) return after;
  const merged = joined(aligned({ base: before, mine: state, theirs: after }), 'theirs');
  return designProblem(merged) ? state : merged;
}

/** Gives my new parts and steps ids that are free, where the other one's new ones have taken theirs. */
function renaming(base: Design, mine: Design, theirs: Design): (state: Design) => Design {
  const parts = freshIds(base.parts, mine.parts, theirs.parts);
  const steps = new Map(
    mine.parts.flatMap(({ id, recipe }) => {
      const [before, other] = [base, theirs].map((design) => design.parts.find((part) => part.id === id));
      return before && other
        ? [[id, freshIds(before.recipe.steps, recipe.steps, other.recipe.steps)] as const]
        : [];
    }),
  );
  return (state) => ({
    ...state,
    chosen: parts.get(state.chosen) ?? state.chosen,
    parts: state.parts.map((part) => ({
      ...part,
      id: parts.get(part.id) ?? part.id,
      recipe: {
        ...part.recipe,
        steps: [...withFreshIds(part.recipe.steps, steps.get(part.id) ?? new Map(), 'step')],
      },
    })),
  });
}
