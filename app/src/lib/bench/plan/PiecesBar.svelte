<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import {
    letterOf,
    newPieceOffers,
    pieceOffers,
    type Addition,
    type CombinedOutline,
    type FieldPath,
  } from '@kelbrin/core/recipe';
  import { planTexts as say } from '$lib/texts/plan';

  /** What can be done with the pieces of an outline: more of them, and all that one of them lets be done. */
  interface Props {
    outline: CombinedOutline;
    /** The keys that lead from the step to the outline. */
    path: FieldPath;
    /** The piece that is marked, by its place. */
    chosen: number;
    onchoose(index: number): void;
    ontake(offer: Addition): void;
    /** Draws the marked piece, where it is one that is drawn. */
    ondraw(): void;
    ondone(): void;
  }
  let { outline, path, chosen, onchoose, ontake, ondraw, ondone }: Props = $props();

  const { pieces } = $derived(outline);
</script>

{#snippet offers(all: readonly Addition[])}
  {#each all as offer (offer.label)}
    <button type="button" class="offer" onclick={() => ontake(offer)}>{offer.label}</button>
  {/each}
{/snippet}

<div class="border-hairline flex max-h-2/5 flex-col gap-1.5 overflow-y-auto border-b px-3 py-1.5 text-sm">
  <div class="flex flex-wrap items-center gap-1.5">
    <strong class="mr-2">{say.pieces}</strong>
    {@render offers(newPieceOffers(pieces, path))}
    <Button size="xs" class="ml-auto" onclick={ondone}>{say.done}</Button>
  </div>
  <div class="flex flex-wrap items-center gap-1.5">
    <span class="mr-2 flex gap-1" role="group" aria-label={say.whichPiece}>
      {#each pieces as { id }, i (id)}
        <button
          type="button"
          class="measured h-7 min-w-7 rounded-full border {i === chosen
            ? 'border-primary-700 bg-primary-700 text-white'
            : 'border-primary-700 text-primary-800 hover:bg-primary-50 bg-white'}"
          aria-pressed={i === chosen}
          aria-label={say.piece(letterOf(i))}
          onclick={() => onchoose(i)}>{letterOf(i)}</button
        >
      {/each}
    </span>
    {#if pieces[chosen]?.outline.shape === 'points'}
      <button type="button" class="offer" onclick={ondraw}>{say.drawPiece(letterOf(chosen))}</button>
    {/if}
    {#if pieces[chosen]}{@render offers(pieceOffers(pieces, chosen, path))}{/if}
  </div>
</div>

<style>
  .offer {
    padding: 0.1rem 0.5rem;
    border: 1px solid var(--color-hairline);
    border-radius: 4px;
    background: #fff;
    max-width: 100%;
    text-align: left;
  }
  .offer:hover {
    background: var(--color-primary-50);
  }
</style>
