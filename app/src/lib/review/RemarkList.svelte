<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import type { Recipe } from '@kelbrin/core/recipe';
  import { reviewTexts as say } from '$lib/texts/review';
  import { placesOf, sentencesOf, type Remark } from './remarkPlaces';

  interface Props {
    remarks: readonly Remark[];
    recipe: Recipe;
    /** Hears which step's sentence is to be marked. */
    onmark(stepId: string): void;
    onremove?(remarkId: string): void;
  }
  let { remarks, recipe, onmark, onremove }: Props = $props();

  const lines = $derived([
    ...sentencesOf(remarks).map(({ id, words, step }) => {
      const at = recipe.steps.findIndex((each) => each.id === step);
      return { id, words, step: at < 0 ? undefined : step, where: at < 0 ? '' : say.atStep(at + 1) };
    }),
    ...placesOf(remarks).map(({ id, words, letter }) => ({
      id,
      words,
      step: undefined,
      where: say.atPlace(letter),
    })),
  ]);
</script>

{#if lines.length > 0}
  <ul class="flex flex-col gap-1 text-sm" aria-label={say.remarks}>
    {#each lines as { id, words, step, where } (id)}
      <li class="border-warn bg-warn-wash flex items-start gap-2 border-l-4 px-2 py-1 leading-snug">
        <span class="flex-1">
          {#if step !== undefined}
            <button
              type="button"
              class="font-semibold underline underline-offset-2"
              onclick={() => onmark(step)}>{where}</button
            >:
          {:else if where !== ''}<strong>{where}</strong>:{/if}
          {words}
        </span>
        {#if onremove}
          <button
            type="button"
            class="hover:text-fail rounded p-0.5"
            aria-label={say.removeRemark(words)}
            onclick={() => onremove(id)}><X size={14} /></button
          >
        {/if}
      </li>
    {/each}
  </ul>
{/if}
