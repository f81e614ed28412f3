<script lang="ts">
  import type { ColourBands } from '@kelbrin/core/colours';
  import ColourList from './ColourList.svelte';
  import { estimateCopies, settingsFor, type Estimate } from '@kelbrin/core/slice';
  import { inHours, type LimitsCard } from '@kelbrin/core/inspect';
  import { partTakesTexts as say } from '$lib/texts/partTakes';

  interface Props {
    estimate: Estimate;
    limits: LimitsCard;
    /** How many copies of the part are printed. */
    copies?: number;
    /** Whether this is of the part as it is shown, and not of one shortly before. */
    isFresh?: boolean;
    /** The colours that the part is wished in, from the plate up. */
    colours?: ColourBands;
  }
  let { estimate, limits, copies = 1, isFresh = true, colours = [] }: Props = $props();

  const together = $derived(estimateCopies(estimate, copies, settingsFor(limits)));
</script>

{#snippet takes(seconds: number, grams: number)}
  <span class="measured">{inHours(seconds)}</span>
  <span class="measured ml-2">{grams.toFixed(1)}</span>
  {say.grams}
{/snippet}

<span class={isFresh ? '' : 'text-ink-soft'} aria-busy={!isFresh}>
  {@render takes(estimate.seconds, estimate.grams)}{isFresh ? '' : '…'}
</span>
{#if colours.length > 0 && colours.length === estimate.colourGrams.length}
  <ColourList
    colours={colours.map(({ colour }) => colour)}
    after={(i) => (colours.length > 1 ? say.gramsOf(estimate.colourGrams[i]) : '')}
  />
{/if}
{#if estimate.supports}
  <span class="text-ink-soft"
    >{say.supports(inHours(estimate.supports.seconds), estimate.supports.grams)}</span
  >
{/if}
{#if copies > 1}
  <span class="text-ink-soft">{say.together(copies)} {@render takes(together.seconds, together.grams)}</span>
{/if}
