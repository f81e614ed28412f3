<script lang="ts">
  import { checkTitle } from '@kelbrin/core/inspect';
  import { grouped } from '$lib/shared/grouped';
  import type { Argument } from '$lib/shared/saidWithHandIn';
  import { reviewTexts as say } from '$lib/texts/review';

  /** Why what fails has to be so, as the student says. */
  interface Props {
    said: readonly Argument[];
  }
  let { said }: Props = $props();

  /** Checks for which the same is said stand together. */
  const argued = $derived(
    grouped(said, ({ words }) => words).map(([words, all]) => ({
      words,
      titles: all.map(({ check }) => checkTitle(check)).join(', '),
    })),
  );
</script>

{#if said.length > 0}
  <div class="border-hairline border-b px-4 py-3 text-sm">
    <h3 class="font-semibold">{say.argues}</h3>
    {#each argued as { titles, words } (words)}
      <p class="mt-1"><strong>{titles}:</strong> {words}</p>
    {/each}
  </div>
{/if}
