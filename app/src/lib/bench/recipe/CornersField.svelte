<script lang="ts">
  import { Checkbox, Dropdown } from 'flowbite-svelte';
  import { toggled } from '@kelbrin/core/recipe';
  import type { PlanCorner } from '@kelbrin/core/solid';
  import { sayList } from '@kelbrin/core/words';
  import { benchTexts as say } from '$lib/texts/bench';

  interface Props {
    label: string;
    /** The numbers of the corners that are chosen. */
    chosen: readonly number[];
    /** The corners that there are, in the order of their numbers. */
    corners: readonly PlanCorner[];
    onchange(chosen: number[]): void;
    /** They shall be tapped on the plan. */
    onopen(): void;
  }
  let { label, chosen, corners, onchange, onopen }: Props = $props();
  let isOpen = $state(false);

  const words = $derived(chosen.length === 0 ? say.cornersToChoose : sayList(chosen.map(String)));
  /** Corners that the outline has no more cannot be kept. */
  const there = $derived(chosen.filter((number) => number <= corners.length));
</script>

<button type="button" class="word" class:wrong={chosen.length === 0} aria-label="{label}: {words}"
  >{words}</button
>
<Dropdown
  simple
  bind:isOpen
  class="border-hairline max-h-80 w-56 overflow-y-auto border p-2"
  aria-label={label}
>
  {#if corners.some(({ at }) => at)}
    <li class="list-none">
      <button
        type="button"
        class="hover:bg-primary-50 text-primary-800 w-full rounded px-1 py-1 text-left text-sm"
        onclick={() => {
          isOpen = false;
          onopen();
        }}>{say.tapCorners}</button
      >
    </li>
  {/if}
  {#each corners as { isOuter }, i (i)}
    <li class="list-none px-1 py-1">
      <Checkbox checked={there.includes(i + 1)} onchange={() => onchange(toggled(there, i + 1))}
        >{isOuter ? say.outerCorner(i + 1) : say.innerCorner(i + 1)}</Checkbox
      >
    </li>
  {:else}
    <li class="text-ink-soft list-none">{say.noCorners}</li>
  {/each}
</Dropdown>
