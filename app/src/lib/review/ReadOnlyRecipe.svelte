<script lang="ts">
  import { plainSentence, sentenceOf, type Recipe } from '@kelbrin/core/recipe';

  interface Props {
    recipe: Recipe;
    marked?: string;
    onmark(stepId: string): void;
  }
  let { recipe, marked, onmark }: Props = $props();
</script>

<ol class="flex flex-col gap-1 p-3" aria-label="Recipe">
  {#each recipe.steps as step, index (step.id)}
    <li data-step={step.id} aria-current={marked === step.id ? 'step' : undefined}>
      <button
        type="button"
        class="flex w-full gap-3 rounded border px-3 py-2 text-left leading-7 {marked === step.id
          ? 'border-primary-700 bg-primary-50'
          : 'border-transparent'}"
        onclick={() => onmark(step.id)}
      >
        <span class="measured text-ink-soft text-sm">{index + 1}</span>
        <span>{plainSentence(sentenceOf(step, { recipe, index }))}</span>
      </button>
    </li>
  {/each}
</ol>
