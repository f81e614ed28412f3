import type { BenchState } from './bench.svelte';

/** What takes its time is not waited for longer than this, ms. */
const MOST_MS = 1500;
/** How often it is looked whether something has become so, ms. */
const LOOK_MS = 20;

/** Waits until something is so, or no longer than a time; at once where it is so already. Hands back whether it is. */
export async function becomes(isSo: () => boolean, mostMs = MOST_MS): Promise<boolean> {
  const until = performance.now() + mostMs;
  while (!isSo()) {
    if (performance.now() >= until) return false;
    await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
  }
  return true;
}

/** Whether the recipe as it stands was tried: its solid is shown, or it is said why there is none. */
function isAnswered({ isCurrent, problem }: BenchState): boolean {
  return isCurrent || problem !== undefined;
}

/** Waits until the solid of the recipe as it stands is there, or cannot be, or nothing is made yet. */
export async function solidSettles(bench: BenchState): Promise<void> {
  await becomes(() => isAnswered(bench) || bench.recipe.steps.length === 0);
}
