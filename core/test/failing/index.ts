import type { FailingRecipe } from './failing.ts';
import { failingHanging } from './hanging.ts';
import { failingHoles } from './holes.ts';
import { failingStanding } from './standing.ts';
import { failingThin } from './thin.ts';

export type { FailingRecipe };

/** Recipes of all kinds that fail, each with what a teacher would change. */
export const failingRecipes: readonly FailingRecipe[] = [
  ...failingHoles,
  ...failingThin,
  ...failingHanging,
  ...failingStanding,
];
