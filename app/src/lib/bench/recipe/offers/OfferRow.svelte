<script lang="ts">
  import type { StepOffer, Wanted } from '@kelbrin/core/recipe';
  import OfferPicture from './OfferPicture.svelte';

  /** A sentence that begins, with what it can be begun with, and the drawing of whichever is pointed at. */
  interface Props {
    offer: StepOffer;
    /** The variant that Enter takes while words are typed; undefined for none, the empty word for the offer as it is. */
    first?: string;
    /** Leaves its variants out. */
    isFolded?: boolean;
    onadd(wanted: Wanted): void;
  }
  let { offer, first, isFolded = false, onadd }: Props = $props();

  let pointed = $state<string>();
  const shown = $derived(
    pointed ?? (first || (offer.variants.length === 1 ? offer.variants[0].id : undefined)),
  );
</script>

<li class="flex items-start gap-2 rounded px-1 py-0.5" class:bg-primary-50={first !== undefined}>
  <OfferPicture offer={offer.id} variant={shown} />
  <div class="min-w-0 flex-1">
    <button
      type="button"
      class="offer text-primary-800 py-0.5 text-left font-semibold"
      data-add={offer.id}
      onclick={() => onadd({ offer: offer.id })}>{offer.label}</button
    >
    {#if offer.variants.length > 0 && !isFolded}
      <div class="flex flex-wrap text-sm">
        {#each offer.variants as { id, label } (id)}
          <button
            type="button"
            class="offer text-primary-800 py-0.5"
            data-add="{offer.id} {id}"
            aria-label="{offer.label}: {label}"
            onpointerenter={() => (pointed = id)}
            onpointerleave={() => (pointed = undefined)}
            onfocus={() => (pointed = id)}
            onblur={() => (pointed = undefined)}
            onclick={() => onadd({ offer: offer.id, variant: id })}>{label}</button
          >
        {/each}
      </div>
    {/if}
  </div>
</li>

<style>
  .offer {
    padding-right: 0.35rem;
    padding-left: 0.35rem;
    border-radius: 4px;
  }
  .offer:hover,
  .offer:focus-visible {
    background: var(--color-primary-100);
  }
  @media (pointer: coarse) {
    .offer {
      min-height: 44px;
    }
  }
</style>
