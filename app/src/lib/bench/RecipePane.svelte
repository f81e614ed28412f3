<script lang="ts">
  import type { Token } from '@kelbrin/core/recipe';
  import AddStepMenu from './AddStepMenu.svelte';
  import type { BenchState } from './bench.svelte';
  import MeasureList from './MeasureList.svelte';
  import RecipeStep from './RecipeStep.svelte';
  import StartersDialog from './StartersDialog.svelte';

  interface Props {
    bench: BenchState;
    onopen(stepId: string, token: Extract<Token, { type: 'drawing' | 'face' | 'file' }>): void;
  }
  let { bench, onopen }: Props = $props();

  let isBeginning = $state(false);

  const troubled = $derived(
    new Set(
      bench.solid?.inspection.checks.flatMap(({ findings }) =>
        findings.filter(({ verdict }) => verdict === 'fail').flatMap(({ steps }) => steps),
      ),
    ),
  );
</script>

<MeasureList {bench} />
<ol class="flex flex-col gap-0.5 p-2" aria-label="Recipe">
  {#each bench.recipe.steps as step, index (step.id)}
    <RecipeStep {bench} {step} {index} isTroubled={troubled.has(step.id)} {onopen} />
  {:else}
    <li class="text-ink-soft px-3 py-6">
      The recipe is empty. Begin with a shape, or
      <button type="button" class="word" onclick={() => (isBeginning = true)}>from an example</button>.
    </li>
  {/each}
</ol>
<AddStepMenu
  isOpen={bench.recipe.steps.length < 2}
  onadd={(kind) => bench.addStep(kind)}
  onexample={() => (isBeginning = true)}
/>
<StartersDialog bind:open={isBeginning} {bench} />
