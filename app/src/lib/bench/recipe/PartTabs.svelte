<script lang="ts">
  import Columns2 from '@lucide/svelte/icons/columns-2';
  import Copy from '@lucide/svelte/icons/copy';
  import Plus from '@lucide/svelte/icons/plus';
  import Send from '@lucide/svelte/icons/send';
  import Trash from '@lucide/svelte/icons/trash';
  import { untrack } from 'svelte';
  import { Dropdown, DropdownItem } from 'flowbite-svelte';
  import { emptyRecipe } from '@kelbrin/core/recipe';
  import PartsBeside from '../beside/PartsBeside.svelte';
  import FamilyDialog from '../dialogs/FamilyDialog.svelte';
  import type { BenchState } from '../state/bench.svelte';
  import type { Portraits } from '../state/portraits.svelte';
  import { partTexts as say } from '$lib/texts/parts';

  interface Props {
    bench: BenchState;
    portraits: Portraits;
    /** Asks for an example to begin from, or for a file to open. */
    onexample(): void;
    onfile(): void;
  }
  let { bench, portraits, onexample, onfile }: Props = $props();

  let refused = $state<string>();
  let isAdding = $state(false);
  let isSizing = $state(false);
  let isBeside = $state(false);

  const { parts, chosen } = $derived(bench.design);
  const isAlone = $derived(parts.length === 1);

  // The part that is shown is in sight in the strip.
  let strip = $state<HTMLElement>();
  $effect(() => {
    // Pictures that come later move it.
    void portraits.urls.size;
    const shown = strip?.querySelector(`[data-part="${CSS.escape(bench.partId)}"]`);
    if (shown) untrack(() => shown.scrollIntoView({ block: 'nearest', inline: 'nearest' }));
  });

  function rename(event: Event & { currentTarget: HTMLInputElement }): void {
    refused = bench.parts.rename(event.currentTarget.value);
    const shown = parts.find(({ id }) => id === bench.partId);
    if (refused !== undefined && shown) event.currentTarget.value = shown.name;
  }

  function add(how: () => void): void {
    isAdding = false;
    how();
  }
</script>

<section class="border-hairline border-b px-2 pt-1.5 pb-0.5" aria-label={say.parts}>
  <div class="flex items-center gap-1">
    <div class="flex min-w-0 items-center gap-1 overflow-x-auto pb-1" bind:this={strip}>
      {#each parts as { id, name } (id)}
        {@const url = portraits.urls.get(id)}
        <span
          class="flex shrink-0 items-center gap-1 rounded border px-1.5 {id === bench.partId
            ? 'border-primary-700 bg-primary-50'
            : 'border-hairline'}"
          data-part={id}
        >
          {#if url && !isAlone}<img src={url} alt="" width="30" height="20" class="shrink-0" />{/if}
          {#if !isAlone && id === chosen}
            <Send size={13} class="text-primary-700 shrink-0" aria-label={say.toHandIn} />
          {/if}
          {#if id === bench.partId}
            <input
              class="word pointer-coarse:min-h-11"
              type="text"
              aria-label={say.nameOfPart}
              maxlength="40"
              size={Math.max(3, name.length)}
              value={name}
              onchange={rename}
            />
          {:else}
            <button
              type="button"
              class="max-w-20 truncate py-0.5 pointer-coarse:min-h-11"
              title={name}
              onclick={() => bench.showPart(id)}>{name}</button
            >
          {/if}
        </span>
      {/each}
    </div>
    <button type="button" class="tool plain" aria-label={say.addPart}>
      <Plus size={16} />
    </button>
    <Dropdown simple bind:isOpen={isAdding} class="border-hairline w-56 border" aria-label={say.addPart}>
      <DropdownItem onclick={() => add(() => bench.parts.add({ name: say.newPart, recipe: emptyRecipe() }))}>
        {say.emptyPart}
      </DropdownItem>
      <DropdownItem onclick={() => add(() => bench.parts.add())}>{say.copyOfPart}</DropdownItem>
      <DropdownItem onclick={() => add(() => (isSizing = true))}>{say.family} …</DropdownItem>
      <DropdownItem onclick={() => add(onexample)}>{say.anExample} …</DropdownItem>
      <DropdownItem onclick={() => add(onfile)}>{say.fromFile} …</DropdownItem>
    </Dropdown>
    <span class="ml-auto flex">
      <button
        type="button"
        class="tool plain"
        aria-label={say.copyPart}
        title={say.copyPartWhy}
        onclick={() => bench.parts.add()}><Copy size={15} /></button
      >
      {#if !isAlone}
        <button
          type="button"
          class="tool plain"
          aria-label={say.beside}
          title={say.beside}
          onclick={() => (isBeside = true)}><Columns2 size={15} /></button
        >
        <button
          type="button"
          class="tool plain"
          aria-label={say.deletePart}
          title={say.deletePart}
          onclick={() => bench.parts.remove()}><Trash size={15} /></button
        >
      {/if}
    </span>
  </div>
  {#if refused}<p role="alert" class="text-fail text-sm">{refused}</p>{/if}
  {#if bench.partId !== chosen}
    <p class="text-ink-soft py-0.5 text-sm">
      {say.otherIsHandedIn(parts.find(({ id }) => id === chosen)?.name ?? '')}
      <button type="button" class="word" onclick={() => bench.parts.choose()}>{say.handInThis}</button>
    </p>
  {/if}
</section>

<FamilyDialog {bench} bind:open={isSizing} />
{#if isBeside && !isAlone}<PartsBeside {bench} onclose={() => (isBeside = false)} />{/if}
