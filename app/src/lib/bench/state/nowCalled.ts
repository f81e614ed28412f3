import { partOf, type Design } from '@kelbrin/core/design';

/** What a part and its steps are called in the same design with other ids. */
export function nowCalled(
  before: Design,
  after: Design,
  partId: string,
): { partId: string; now(stepId: string): string } {
  const part = after.parts[before.parts.findIndex(({ id }) => id === partId)];
  const steps = new Map(
    partOf(before, partId).recipe.steps.map(({ id }, i) => [id, part.recipe.steps[i].id]),
  );
  return { partId: part.id, now: (stepId) => steps.get(stepId) ?? stepId };
}
