<script lang="ts">
  import { choicesOf, facets, type Facet, type QueueView } from '$lib/shared/queue/queueView';
  import type { QueueRow } from '$lib/shared/queue/queueRow';
  import { queueTexts as say } from '$lib/texts/queue';
  import { facetWords } from './facetWords';

  /** What of the queue is looked at: words, one value of each facet, and groups. */
  interface Props {
    rows: readonly QueueRow[];
    view: QueueView;
    change(view: QueueView): void;
  }
  let { rows, view, change }: Props = $props();

  /** Facets with one value for all parts tell nothing, and are not offered. */
  const offered = $derived(
    facets
      .map((facet) => ({ facet, choices: choicesOf(rows, view, facet) }))
      .filter(({ facet, choices }) => choices.length > 1 || view.only[facet] !== undefined),
  );
  const isNarrowed = $derived(view.words !== '' || Object.keys(view.only).length > 0);

  function choose(facet: Facet, value: string | undefined) {
    const { [facet]: _, ...others } = view.only;
    change({ ...view, only: value === undefined ? others : { ...others, [facet]: value } });
  }
</script>

<div class="mb-3 flex flex-wrap items-center gap-2" role="search">
  <input
    type="search"
    class="border-hairline w-56 grow rounded bg-white px-3 py-1.5 sm:grow-0"
    aria-label={say.search}
    placeholder={say.searchWhat}
    value={view.words}
    oninput={({ currentTarget }) => change({ ...view, words: currentTarget.value })}
  />
  {#each offered as { facet, choices } (facet)}
    {@const value = view.only[facet]}
    <select
      class="max-w-44 rounded bg-white py-1.5 pr-8 pl-2 {value === undefined
        ? 'border-hairline'
        : 'border-primary-700 font-semibold'}"
      aria-label={say.facets[facet]}
      onchange={({ currentTarget }) =>
        choose(facet, currentTarget.selectedIndex === 0 ? undefined : currentTarget.value)}
    >
      <option selected={value === undefined}>{say.all(say.facets[facet])}</option>
      {#each choices as choice (choice.value)}
        <option value={choice.value} selected={value === choice.value}
          >{say.choice(facetWords(facet, choice.value), choice.count)}</option
        >
      {/each}
    </select>
  {/each}
  {#if isNarrowed}
    <button
      type="button"
      class="text-primary-800 underline underline-offset-2"
      onclick={() => change({ ...view, words: '', only: {} })}>{say.showAll}</button
    >
  {/if}
  <label class="ml-auto flex items-center gap-2 whitespace-nowrap"
    >{say.groupBy}
    <select
      class="border-hairline rounded bg-white py-1.5 pr-8 pl-2"
      onchange={({ currentTarget }) =>
        change({ ...view, group: facets.find((facet) => facet === currentTarget.value) })}
    >
      <option value="" selected={view.group === undefined}>{say.noGroups}</option>
      {#each facets as facet (facet)}
        <option value={facet} selected={view.group === facet}>{say.facets[facet]}</option>
      {/each}
    </select></label
  >
</div>
