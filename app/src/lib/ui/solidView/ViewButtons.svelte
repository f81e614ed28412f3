<script lang="ts">
  import Equal from '@lucide/svelte/icons/equal';
  import Maximize from '@lucide/svelte/icons/maximize';
  import Undo from '@lucide/svelte/icons/undo-2';
  import { views, type Look, type View } from './views';
  import { solidTexts as say } from '$lib/texts/solidView';

  /** From where a part is looked at: named views, all of it, as before, with perspective or without. */
  interface Props {
    view: Look;
    isParallel: boolean;
    /** Whether other views turn together with this one, and so open alike. */
    isLinked: boolean;
  }
  let { view = $bindable(), isParallel = $bindable(), isLinked }: Props = $props();

  const turns = $derived(view.turns + 1);
</script>

<div class="border-hairline flex overflow-hidden rounded border bg-white" role="group" aria-label={say.view}>
  {#each Object.keys(views) as View[] as name (name)}
    <button type="button" class="view words" onclick={() => (view = { name, turns })}
      >{say.views[name]}</button
    >
  {/each}
  <button
    type="button"
    class="view"
    title={say.fit}
    aria-label={say.fit}
    onclick={() => (view = { here: true, turns })}
  >
    <Maximize size={14} aria-hidden="true" />
  </button>
  <button
    type="button"
    class="view"
    title={say.lastView}
    aria-label={say.lastView}
    onclick={() => (view = { last: true, turns })}
  >
    <Undo size={14} aria-hidden="true" />
  </button>
  {#if !isLinked}
    <button
      type="button"
      class="view"
      title={say.parallel}
      aria-label={say.parallel}
      aria-pressed={isParallel}
      onclick={() => (isParallel = !isParallel)}
    >
      <Equal size={14} aria-hidden="true" />
    </button>
  {/if}
</div>

<style>
  .view {
    padding: 0.25rem 0.45rem;
    border-left: 1px solid var(--color-hairline);
    font-size: 0.875rem;
  }
  .view:first-child {
    border-left: none;
  }
  .words {
    padding: 0.25rem 0.55rem;
  }
  @media (pointer: coarse) {
    .view {
      min-width: 2.75rem;
      min-height: 2.75rem;
    }
  }
  .view:hover {
    background: var(--color-primary-50);
  }
  .view[aria-pressed='true'] {
    background: var(--color-primary-700);
    color: #fff;
  }
  /* Where there is little room, names are enough: all else is found by turning. */
  @container (max-width: 28rem) {
    .view:not(.words) {
      display: none;
    }
  }
</style>
