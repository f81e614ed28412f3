import type { Inspection } from '../../inspect/index.ts';
import type { Recipe, Token } from '../../recipe/index.ts';

/** How far a part has come. */
export interface Progress {
  readonly recipe: Recipe;
  /** Nothing yet, or nothing while the recipe cannot be built. */
  readonly inspection?: Inspection;
}

/**
 * A kind of condition that ticks a prompt off by itself: one file that says how it reads and when it holds. Screens know
 * kinds by this interface alone.
 */
export interface ConditionKind<C extends { kind: string }> {
  readonly kind: C['kind'];
  /** What it is called where one is chosen: "a measure". */
  readonly label: string;
  create(): C;
  /** What has to be so, as the end of a sentence: "no check fails". */
  sentence(condition: C): Token[];
  holds(condition: C, progress: Progress): boolean;
}
