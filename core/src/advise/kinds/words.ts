import type { Recipe } from '../../recipe/index.ts';
import { say } from '../../words/index.ts';

/** "In step 2", or "In “pin” (step 2)" for a step with a name. */
export function numbered({ steps }: Recipe, stepId: string): string {
  const index = steps.findIndex(({ id }) => id === stepId);
  const name = steps[index]?.name;
  return name
    ? say('In “{name}” (step {index})', { name, index: index + 1 })
    : say('In step {index}', { index: index + 1 });
}
