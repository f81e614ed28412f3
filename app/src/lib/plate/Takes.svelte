<script lang="ts">
  import { clock } from '$lib/ui/clock.svelte';
  import { plateTexts as say } from '$lib/texts/plate';
  import type { PlateSlicing } from './slicing.svelte';

  let { slicing }: { slicing: PlateSlicing } = $props();

  const time = clock();
  const takes = $derived(slicing.estimate);
  const doneAt = $derived(
    takes &&
      new Date(time.nowMs + takes.seconds * 1000).toLocaleTimeString('en-GB', {
        hour: '2-digit',
        minute: '2-digit',
      }),
  );
</script>

<h2 class="mb-1">{say.takes}</h2>
{#if slicing.problem}
  <p role="alert" class="text-fail">{slicing.problem}</p>
{:else if takes}
  <p class="flex flex-wrap gap-x-4" class:opacity-50={slicing.progress} data-testid="takes">
    <span><span class="measured text-lg">{Math.ceil(takes.seconds / 60)}</span> {say.minutes}</span>
    <span
      ><span class="measured text-lg"
        >{say.thenGrams(takes.colourGrams.map((grams) => grams.toFixed(1)))}</span
      >
      {say.grams}</span
    >
    <span><span class="measured text-lg">{(takes.filamentMm / 1000).toFixed(2)}</span> {say.metres}</span>
  </p>
  <p class="text-ink-soft text-sm">{say.doneAt(doneAt!)}</p>
{/if}
{#if slicing.progress}
  <label class="mt-1 flex items-center gap-2 text-sm">
    <progress class="w-32" max={slicing.progress.of} value={slicing.progress.done}></progress>
    {say.slicing(slicing.progress.done, slicing.progress.of)}
  </label>
{/if}
