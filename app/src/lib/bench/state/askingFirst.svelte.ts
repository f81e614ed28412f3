import { brokenBy, type Recipe } from '@kelbrin/core/recipe';

/** What is asked before a step is deleted or moved that others name. */
export interface BenchQuestion {
  readonly what: 'delete' | 'move';
  /** The place of the step, from 1, and of those that would name it no longer, as they would stand then. */
  readonly step: number;
  readonly broken: readonly number[];
  go(): void;
}

/** The recipe that a change is asked of, as it is now. */
interface Shown {
  readonly recipe: Recipe;
  readonly partId: string;
}

/** Takes changes of steps, and asks first where a change would leave other steps without what they name. */
export class AskingFirst {
  /** What is asked, until somebody has answered. */
  question = $state.raw<BenchQuestion>();

  /** Takes a change of a step, at once or when it was asked. It is worked out then, as others may have edited meanwhile. */
  take(
    what: BenchQuestion['what'],
    stepId: string,
    shown: Shown,
    change: (recipe: Recipe) => Recipe,
    take: (changed: Recipe) => void,
  ): void {
    const { recipe, partId } = shown;
    const changed = change(recipe);
    const broken = brokenBy(recipe, changed);
    if (broken.length === 0) return take(changed);
    const step = recipe.steps.findIndex(({ id }) => id === stepId) + 1;
    const go = () => {
      if (shown.partId === partId) take(change(shown.recipe));
    };
    this.question = { what, step, broken, go };
  }

  /** Goes on with the change that was asked about, or leaves it. */
  answer(goesOn: boolean): void {
    const asked = this.question;
    this.question = undefined;
    if (goesOn) asked?.go();
  }
}
