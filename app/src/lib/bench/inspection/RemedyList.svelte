<script lang="ts">
  import Check from '@lucide/svelte/icons/check';
  import Minus from '@lucide/svelte/icons/minus';
  import Plus from '@lucide/svelte/icons/plus';
  import { ranked } from '@kelbrin/core/advise';
  import type { BenchState } from '../state/bench.svelte';
  import { inspectionTexts as say } from '$lib/texts/inspection';

  let { bench }: { bench: BenchState } = $props();

  /** More than so many ways are too many to choose from. */
  const MOST_SHOWN = 4;
  const found = $derived(ranked(bench.showing.part?.remedies?.found ?? []).slice(0, MOST_SHOWN));
</script>

{#if bench.showing.part?.remedies}
  <div class="mt-2" aria-live="polite">
    <h4 class="text-sm font-semibold">{say.ways}</h4>
    {#each found as remedy (remedy.words)}
      <button
        type="button"
        class="border-primary-300 hover:bg-primary-50 mt-1.5 block w-full rounded border bg-white px-2 py-1.5 text-left text-[0.9rem] leading-snug"
        onclick={() => bench.apply(remedy)}
      >
        <span class="text-primary-800 font-semibold">{remedy.words}</span>
        <span class="mt-1 block text-[0.8rem]">
          {#if remedy.failsLeft === 0}
            <span class="text-pass block"
              ><Check size={12} class="inline" aria-hidden="true" /> {say.nothingFails}</span
            >
          {/if}
          {#each remedy.failsLeft === 0 ? [] : remedy.better as words (words)}
            <span class="text-pass block"
              ><Plus size={12} class="inline" aria-label={say.better} /> {words}</span
            >
          {/each}
          {#each remedy.worse as words (words)}
            <span class="text-warn-ink block"
              ><Minus size={12} class="inline" aria-label={say.worse} /> {words}</span
            >
          {/each}
        </span>
      </button>
    {/each}
    {#if bench.showing.part?.remedies.isSearching}
      <p class="text-ink-soft mt-1 text-sm">{say.trying}</p>
    {:else if found.length === 0}
      <p class="text-ink-soft mt-1 text-sm">{say.noRemedy}</p>
    {/if}
  </div>
{/if}
