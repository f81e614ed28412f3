<script lang="ts">
  import Copy from '@lucide/svelte/icons/copy';
  import Plus from '@lucide/svelte/icons/plus';
  import Send from '@lucide/svelte/icons/send';
  import Trash from '@lucide/svelte/icons/trash';
  import { Dropdown, DropdownItem } from 'flowbite-svelte';
  import { emptyRecipe } from '@kelbrin/core/recipe';
  import FamilyDialog from '../dialogs/FamilyDialog.svelte';
  import type { BenchState } from '../state/bench.svelte';
  import { partTexts as say } from '$lib/texts/parts';

  interface Props {
    bench: BenchState;
    /** Asks for an example to begin from, or for a file to open. */
    onexample(): void;
    onfile(): void;
  }
  let { bench, onexample, onfile }: Props = $props();

  let refused = $state<string>();
  let isAdding = $state(false);
  let isSizing = $state(false);

  const { parts, chosen } = $derived(bench.design);
  const isAlone = $derived(parts.length === 1);

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

<section class="border-hairline border-b px-2 pt-2 pb-1" aria-label={say.parts}>
  <div class="flex flex-wrap items-center gap-1">
    {#each parts as { id, name } (id)}
      <span
        class="flex items-center gap-1 rounded border px-2 {id === bench.partId
          ? 'border-primary-700 bg-primary-50'
          : 'border-hairline'}"
      >
        {#if !isAlone && id === chosen}
          <Send size={13} class="text-primary-700" aria-label={say.toHandIn} />
        {/if}
        {#if id === bench.partId}
          <input
            class="word"
            type="text"
            aria-label={say.nameOfPart}
            maxlength="40"
            size={Math.max(3, name.length)}
            value={name}
            onchange={rename}
          />
        {:else}
          <button type="button" class="py-0.5" onclick={() => bench.showPart(id)}>{name}</button>
        {/if}
      </span>
    {/each}
    <button type="button" class="hover:bg-primary-50 text-primary-800 rounded p-1" aria-label={say.addPart}>
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
        class="tool"
        aria-label={say.copyPart}
        title={say.copyPartWhy}
        onclick={() => bench.parts.add()}><Copy size={15} /></button
      >
      {#if !isAlone}
        <button
          type="button"
          class="tool"
          aria-label={say.deletePart}
          title={say.deletePart}
          onclick={() => bench.parts.remove()}><Trash size={15} /></button
        >
      {/if}
    </span>
  </div>
  {#if refused}<p role="alert" class="text-fail text-sm">{refused}</p>{/if}
  {#if !isAlone}
    <p class="text-ink-soft py-0.5 text-sm">
      {#if bench.partId === chosen}
        {say.thisIsHandedIn}
      {:else}
        {say.otherIsHandedIn(parts.find(({ id }) => id === chosen)?.name ?? '')}
        <button type="button" class="word" onclick={() => bench.parts.choose()}>{say.handInThis}</button>
      {/if}
    </p>
  {/if}
</section>

<FamilyDialog {bench} bind:open={isSizing} />

<style>
  .tool {
    padding: 0.25rem;
    border-radius: 4px;
    color: var(--color-ink-soft);
  }
  .tool:hover {
    background: var(--color-primary-50);
    color: var(--color-primary-800);
  }
</style>
