<script lang="ts">
  import Search from '@lucide/svelte/icons/search';
  import X from '@lucide/svelte/icons/x';
  import {
    firstOf,
    foundOffers,
    stepOffers,
    wishes,
    type Recipe,
    type Wanted,
    type Wish,
  } from '@kelbrin/core/recipe';
  import OfferRow from './OfferRow.svelte';
  import { offerTexts as say } from '$lib/texts/offers';

  /** Beside the recipe: everything that can be added to it, by what one wants, found by any word for it. */
  interface Props {
    recipe: Recipe;
    onadd(wanted: Wanted): void;
    onexample(): void;
    onclose(): void;
  }
  let { recipe, onadd, onexample, onclose }: Props = $props();

  let query = $state('');
  let panel = $state<HTMLElement>();
  let search = $state<HTMLElement>();
  // Whatever had the focus, what is typed now is looked for.
  $effect(() => search?.focus());
  const offers = $derived(stepOffers(recipe));
  const found = $derived(foundOffers(offers, query));
  const first = $derived(query.trim() === '' ? undefined : firstOf(found));
  const groups = $derived(
    (Object.keys(wishes) as Wish[]).map((wish) => ({
      title: wishes[wish],
      offers: found
        .filter((offer) => offer.wish === wish)
        .sort((a, b) => Number(b.isUsual) - Number(a.isUsual)),
    })),
  );

  function takeFirst(): void {
    if (first) onadd({ offer: first.offer.id, variant: first.variant?.id });
  }

  /** The arrows go through all that is offered; a letter goes on with the search. */
  function onkeydown(event: KeyboardEvent): void {
    const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (event.key === 'Escape') {
      event.stopPropagation();
      onclose();
    } else if (by !== 0 && panel) {
      event.preventDefault();
      const all = [...panel.querySelectorAll<HTMLElement>('input, .offer')];
      const at = all.indexOf(document.activeElement as HTMLElement);
      all[(at + by + all.length) % all.length].focus();
    }
  }

  /** Closes when something else is pressed; the button that opens it closes it itself. */
  function onpress(event: PointerEvent): void {
    const { target } = event;
    if (!(target instanceof Element) || panel?.contains(target) || target.closest('[data-add-step]')) return;
    onclose();
  }
</script>

<svelte:window onpointerdown={onpress} />

<div
  bind:this={panel}
  class="panel border-hairline flex flex-col border bg-white shadow-lg"
  role="dialog"
  aria-label={say.addStep}
  tabindex="-1"
  {onkeydown}
>
  <div class="border-hairline flex items-center gap-2 border-b p-2">
    <Search size={18} class="text-ink-soft shrink-0" aria-hidden="true" />
    <input
      bind:this={search}
      type="search"
      class="min-w-0 flex-1 border-0 bg-transparent p-1 focus:ring-0 pointer-coarse:min-h-11"
      placeholder={say.search}
      aria-label={say.searchLabel}
      bind:value={query}
      onkeydown={(event) => {
        if (event.key !== 'Enter') return;
        event.preventDefault();
        takeFirst();
      }}
    />
    <button type="button" class="tool plain" aria-label={say.close} onclick={onclose}>
      <X size={18} />
    </button>
  </div>
  <div class="min-h-0 flex-1 overflow-y-auto p-2">
    {#if query.trim() !== ''}
      <ul>
        {#each found as offer (offer.id)}
          <OfferRow
            {offer}
            first={offer.id === first?.offer.id ? (first?.variant?.id ?? '') : undefined}
            {onadd}
          />
        {:else}
          <li class="text-ink-soft px-2 py-4">{say.nothingFound(query.trim())}</li>
        {/each}
      </ul>
    {:else}
      <div class="columns-1 gap-4 md:columns-2">
        {#each groups as { title, offers: own } (title)}
          <section class="mb-2 break-inside-avoid" aria-label={title}>
            <h3 class="text-ink-soft px-1 text-sm font-semibold">{title}</h3>
            <ul>
              {#each own as offer (offer.id)}<OfferRow {offer} isFolded={offer.isQuiet} {onadd} />{/each}
            </ul>
          </section>
        {/each}
      </div>
    {/if}
  </div>
  <div class="border-hairline border-t px-3 py-1.5">
    <button
      type="button"
      class="offer text-primary-800 text-sm underline pointer-coarse:min-h-11"
      onclick={onexample}
    >
      {say.fromExample} …
    </button>
  </div>
</div>

<style>
  .panel {
    position: absolute;
    z-index: 30;
    top: 0;
    bottom: 0;
    left: 392px;
    width: min(660px, calc(100% - 392px));
  }
  @media (max-width: 1150px) {
    .panel {
      left: 320px;
      width: min(660px, calc(100% - 320px));
    }
  }
  @media (max-width: 1023px) {
    .panel {
      left: 0;
      width: 100%;
    }
  }
</style>
