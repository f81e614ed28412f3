<script lang="ts">
  import { amountWords, plainSentence, sentenceOf, type Recipe } from '@kelbrin/core/recipe';
  import { benchTexts as say } from '$lib/texts/bench';

  interface Props {
    recipe: Recipe;
    marked?: string;
    onmark(stepId: string): void;
    /** What was remarked at sentences, by step. */
    remarks?: readonly { readonly id: string; readonly step: string; readonly words: string }[];
  }
  let { recipe, marked, onmark, remarks = [] }: Props = $props();
</script>

{#if recipe.measures.length > 0}
  <ul class="border-hairline border-b px-4 py-2" aria-label={say.measures}>
    {#each recipe.measures as { name, value } (name)}
      <li class="leading-7"><span class="measured">{name}</span> = {amountWords(value, 'mm')}</li>
    {/each}
  </ul>
{/if}
<ol class="flex flex-col gap-1 p-3" aria-label={say.recipe}>
  {#each recipe.steps as step, index (step.id)}
    <li data-step={step.id} aria-current={marked === step.id ? 'step' : undefined}>
      <button
        type="button"
        class:opacity-55={step.off}
        class="flex w-full gap-3 rounded border px-3 py-2 text-left leading-7 {marked === step.id
          ? 'border-primary-700 bg-primary-50'
          : 'border-transparent'}"
        onclick={() => onmark(step.id)}
      >
        <span class="measured text-ink-soft text-sm">{index + 1}</span>
        <span
          >{#if step.name}<strong class="mr-1">{step.name}:</strong>
          {/if}{plainSentence(sentenceOf(step, { recipe, index }))}{#if step.off}
            ({say.switchedOff}){/if}</span
        >
      </button>
      {#each remarks.filter((remark) => remark.step === step.id) as { id, words } (id)}
        <p class="border-warn bg-warn-wash mr-3 mb-1 ml-9 border-l-4 px-2 py-1 text-sm">{words}</p>
      {/each}
    </li>
  {/each}
</ol>
