<script lang="ts">
  import { colourName, hexOf, type FilamentColour } from '@kelbrin/core/colours';

  /** Colours of filament in their order, each as a patch and by its name. */
  interface Props {
    colours: readonly (FilamentColour | undefined)[];
    /** What is said after each name: its grams. */
    after?: (index: number) => string;
    /** Without the names, which are then said to those who cannot see. */
    isShort?: boolean;
  }
  let { colours, after, isShort = false }: Props = $props();
</script>

<span class="inline-flex flex-wrap items-center gap-x-3 gap-y-1">
  {#each colours as colour, i (i)}
    {#if colour}
      <span class="inline-flex items-center gap-1.5" title={isShort ? colourName(colour) : undefined}>
        <span
          class="border-hairline h-3.5 w-3.5 shrink-0 rounded-full border"
          style:background={hexOf(colour)}
        ></span>
        <span class={isShort ? 'sr-only' : ''}>{colourName(colour)}{after ? ` ${after(i)}` : ''}</span>
      </span>
    {/if}
  {/each}
</span>
