<script lang="ts">
  import { svgOf, whyOf } from '@kelbrin/core/inspect';

  let { checkId }: { checkId: string } = $props();

  const why = $derived(whyOf(checkId));
</script>

{#if why}
  <div class="flex items-start gap-2">
    <!-- The drawing is the check's own, and nothing of it comes from outside. -->
    <!-- eslint-disable-next-line svelte/no-at-html-tags -->
    <span class="drawing w-20 shrink-0" aria-hidden="true">{@html svgOf(why.drawing)}</span>
    <p class="text-ink-soft text-[0.85rem] leading-snug">{why.words.join(' ')}</p>
  </div>
{/if}

<style>
  .drawing :global(svg) {
    width: 100%;
    height: auto;
  }
</style>
