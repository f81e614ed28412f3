<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { Problem } from '@kelbrin/core/recipe';
  import { unbroken } from '$lib/ui/unbroken';
  import { benchTexts as say } from '$lib/texts/bench';
  import type { BenchState } from './state/bench.svelte';

  /** Stands where the solid would be while there has been none yet: what keeps it from being built, and the way there. */
  interface Props {
    bench: BenchState;
    problem: Problem;
  }
  let { bench, problem }: Props = $props();

  const at = $derived(bench.recipe.steps.findIndex(({ id }) => id === problem.stepId));
</script>

<div class="flex h-full flex-col items-center justify-center gap-3 p-6 text-center" role="status">
  <p class="font-semibold">{say.nothingBuilt}</p>
  <p class="text-ink-soft max-w-prose">{unbroken(problem.message)}</p>
  {#if at >= 0}
    <Button size="sm" color="alternative" onclick={() => bench.pick(problem.stepId)}
      >{say.showStep(at + 1)}</Button
    >
  {/if}
</div>
