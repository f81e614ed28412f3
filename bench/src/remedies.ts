import { failingFindings, remediesFor, Trials } from '@kelbrin/core/advise';
import { classroomLimits as limits } from '@kelbrin/core/inspect';
import type { Workshop } from '@kelbrin/core/solid';
import { failingRecipes, type FailingRecipe } from '../../core/test/failing/index.ts';
import type { Contest } from './measure.ts';

/** How soon something is offered for what fails, and how soon all is, over the failing recipes of the tests. */
export function remedyContests(workshop: Workshop): Contest[] {
  return [
    searches(workshop, 'the first remedy', (remedy) => remedy !== undefined),
    searches(workshop, 'all remedies', () => false),
  ];
}

function searches(workshop: Workshop, what: string, isEnough: (remedy: unknown) => boolean): Contest {
  let [own, other] = [0, 0];
  const next = (turn: number) => failingRecipes[turn % failingRecipes.length];
  return {
    name: `${what} for what fails (${failingRecipes.length} recipes)`,
    reference: 'building and inspecting the recipe once',
    n: failingRecipes.length,
    run() {
      const failing = next(own++);
      search(workshop, failing, isEnough);
    },
    runReference() {
      const { recipe, brief } = next(other++);
      const trials = new Trials({ workshop, limits, brief });
      void trials.tried(recipe)?.inspection;
      trials.close();
    },
  };
}

function search(
  workshop: Workshop,
  { recipe, brief, asked }: FailingRecipe,
  isEnough: (remedy: unknown) => boolean,
): void {
  const trials = new Trials({ workshop, limits, brief });
  const now = trials.tried(recipe)!;
  const failing = failingFindings(now.inspection).find(({ check }) => check.id === asked)!;
  const trouble = { recipe, limits, brief, now, ...failing, tried: trials.tried.bind(trials) };
  for (const remedy of remediesFor(trouble)) if (isEnough(remedy)) break;
  trials.close();
}
