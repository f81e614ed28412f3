<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import { isEmptyPart } from '@kelbrin/core/design';
  import { starters } from '@kelbrin/core/starters';
  import type { BenchState } from './bench.svelte';

  let { open = $bindable(false), bench }: { open: boolean; bench: BenchState } = $props();

  function begin(index: number): void {
    const { title, recipe } = starters[index];
    if (isEmptyPart(bench.design, bench.partId)) bench.fillPart(title, recipe);
    else bench.addPart({ name: title, recipe });
    open = false;
  }
</script>

<Modal bind:open title="Begin from an example" aria-label="Begin from an example" size="lg">
  <p class="text-ink-soft">
    Every number of an example can be changed. If this part has steps already, the example becomes a part
    beside it.
  </p>
  <ul class="grid grid-cols-3 gap-3 sm:grid-cols-4">
    {#each starters as { id, title }, index (id)}
      <li>
        <button
          type="button"
          class="border-hairline hover:border-primary-700 hover:bg-primary-50 w-full rounded border p-2 text-left"
          onclick={() => begin(index)}
        >
          <img src="/picture/starter/{id}" alt="" width="160" height="100" loading="lazy" class="w-full" />
          <span class="font-semibold">{title}</span>
        </button>
      </li>
    {/each}
  </ul>
</Modal>
