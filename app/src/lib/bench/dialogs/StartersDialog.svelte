<script lang="ts">
  import Dialog from '$lib/ui/Dialog.svelte';
  import { isEmptyPart } from '@kelbrin/core/design';
  import { starters } from '@kelbrin/core/starters';
  import type { BenchState } from '../state/bench.svelte';
  import { benchTexts as say } from '$lib/texts/bench';
  import { offerTexts } from '$lib/texts/offers';

  let { open = $bindable(false), bench }: { open: boolean; bench: BenchState } = $props();

  function begin(index: number): void {
    const { title, recipe } = starters[index];
    if (isEmptyPart(bench.design, bench.partId)) bench.parts.fill(title, recipe);
    else bench.parts.add({ name: title, recipe });
    open = false;
  }
</script>

<Dialog bind:open title={offerTexts.fromExample} size="lg">
  <p class="text-ink-soft">
    {say.exampleWhat}
  </p>
  <ul class="grid grid-cols-3 gap-3 sm:grid-cols-4">
    {#each starters as { id, title }, index (id)}
      <li>
        <button
          type="button"
          class="border-hairline hover:border-primary-700 hover:bg-primary-50 w-full rounded border p-2 text-left"
          onclick={() => begin(index)}
        >
          <img src="/starters/{id}.png" alt="" width="320" height="200" loading="lazy" class="w-full" />
          <span class="font-semibold">{title}</span>
        </button>
      </li>
    {/each}
  </ul>
</Dialog>
