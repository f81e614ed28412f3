<script lang="ts">
  import { Checkbox, Dropdown } from 'flowbite-svelte';

  /** A word of a sentence behind which several things can be ticked. */
  interface Props {
    label: string;
    /** What is ticked, as the sentence says it. */
    words: string;
    isWrong?: boolean;
    items: readonly { readonly label: string; readonly isTicked: boolean }[];
    /** What is said where there is nothing to tick. */
    none: string;
    ontick(at: number): void;
    /** Another place where they can be ticked, if there is one. */
    elsewhere?: { readonly label: string; open(): void };
  }
  let { label, words, isWrong = false, items, none, ontick, elsewhere }: Props = $props();
  let isOpen = $state(false);
</script>

<button type="button" class="word" class:wrong={isWrong} aria-label="{label}: {words}">{words}</button>
<Dropdown
  simple
  bind:isOpen
  class="border-hairline max-h-80 w-64 overflow-y-auto border p-2"
  aria-label={label}
>
  {#if elsewhere}
    <li class="list-none">
      <button
        type="button"
        class="hover:bg-primary-50 text-primary-800 w-full rounded px-1 py-1 text-left text-sm"
        onclick={() => {
          isOpen = false;
          elsewhere.open();
        }}>{elsewhere.label}</button
      >
    </li>
  {/if}
  {#each items as { label: name, isTicked }, i (i)}
    <li class="list-none px-1 py-1">
      <Checkbox checked={isTicked} onchange={() => ontick(i)}>{name}</Checkbox>
    </li>
  {:else}
    <li class="text-ink-soft list-none">{none}</li>
  {/each}
</Dropdown>
