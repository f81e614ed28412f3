import { referencesOf, type Step } from '../../recipe/index.ts';

/**
 * Steps in an order in which each comes after those that it names, as near to the given one as can be. What is not among
 * them is not waited for. Undefined if some wait for each other.
 */
export function inReferenceOrder(steps: readonly Step[]): Step[] | undefined {
  const all = new Set(steps.map(({ id }) => id));
  const placed = new Set<string>();
  const result: Step[] = [];
  let waiting: Step[] = [];
  const isReady = (step: Step) => referencesOf(step).every(({ id }) => placed.has(id) || !all.has(id));
  const place = (step: Step) => {
    placed.add(step.id);
    result.push(step);
    const next = waiting.find(isReady);
    if (!next) return;
    waiting = waiting.filter((each) => each !== next);
    place(next);
  };
  for (const step of steps)
    if (isReady(step)) place(step);
    else waiting.push(step);
  return waiting.length === 0 ? result : undefined;
}
