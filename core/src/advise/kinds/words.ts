import type { Recipe } from '../../recipe/index.ts';

/** "In step 2", or "In “pin” (step 2)" for a step with a name. */
export function numbered({ steps }: Recipe, stepId: string): string {
  const index = steps.findIndex(({ id }) => id === stepId);
  const name = steps[index]?.name;
  return name ? `In “${name}” (step ${index + 1})` : `In step ${index + 1}`;
}
