<script lang="ts">
  import { Button, Checkbox } from 'flowbite-svelte';
  import type { DrawingState } from './drawing.svelte';
  import { drawingTexts as say } from '$lib/texts/drawing';

  /** How lines are drawn, and what is chosen for a drawn outline as a whole. */
  interface Props {
    drawing: DrawingState;
    isProfile: boolean;
    tool: 'lines' | 'arcs' | 'freehand';
    /** Whether points are caught by others, the axes and the grid. */
    snaps: boolean;
    /** Looks at the whole drawing again. */
    onwhole(): void;
    ondone(): void;
  }
  let { drawing, isProfile, tool = $bindable(), snaps = $bindable(), onwhole, ondone }: Props = $props();
</script>

<div
  class="border-hairline flex items-center gap-x-3 border-b px-3 py-1.5 text-sm max-sm:overflow-x-auto sm:flex-wrap sm:gap-y-1"
>
  <strong class="max-sm:sr-only">{isProfile ? say.profile : say.outline}</strong>
  <Checkbox
    checked={drawing.outline.smooth}
    onchange={(event) => drawing.change({ smooth: event.currentTarget.checked })}
  >
    {say.smooth}
  </Checkbox>
  {#if !isProfile}
    <Checkbox
      checked={drawing.outline.mirrored}
      onchange={(event) => drawing.change({ mirrored: event.currentTarget.checked })}
    >
      {say.mirrored}
    </Checkbox>
  {/if}
  <Checkbox bind:checked={snaps}>{say.snap}</Checkbox>
  {#each [['arcs', say.arc], ['freehand', say.freehand]] as const as [each, label] (each)}
    <button
      type="button"
      class="choice {tool === each ? 'bg-primary-700 text-white' : 'hover:bg-primary-50'}"
      aria-pressed={tool === each}
      onclick={() => (tool = tool === each ? 'lines' : each)}>{label}</button
    >
  {/each}
  <button type="button" class="choice hover:bg-primary-50" onclick={onwhole}>{say.whole}</button>
  <button type="button" class="choice hover:bg-primary-50" onclick={() => drawing.beginAgain()}
    >{say.anew}</button
  >
  <Button size="xs" class="ml-auto max-sm:sticky max-sm:right-0 pointer-coarse:min-h-11" onclick={ondone}
    >{say.done}</Button
  >
</div>

<style>
  .choice {
    min-height: 2rem;
    padding: 0.125rem 0.5rem;
    border: 1px solid var(--color-hairline);
    border-radius: 4px;
    white-space: nowrap;
  }
  @media (pointer: coarse) {
    .choice {
      min-height: 2.75rem;
    }
  }
</style>
