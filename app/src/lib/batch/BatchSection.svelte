<script lang="ts">
  import { extentOf } from '@kelbrin/core/plane';
  import { coveredBy, type Placed } from '@kelbrin/core/plate';
  import { batchTexts as say } from '$lib/texts/batch';
  import { drawCut } from '$lib/ui/printedLines/drawLayer';
  import type { BatchSlicing } from './slicing.svelte';

  interface Props {
    slicing: BatchSlicing;
    parts: readonly (Omit<Placed, 'id'> & { readonly entryId: string; readonly student: string })[];
    /** The part that is cut, by its place in the queue. */
    chosen?: string;
  }
  let { slicing, parts, chosen = $bindable() }: Props = $props();

  const MARGIN_MM = 2;

  let canvas: HTMLCanvasElement;
  /** How far back the cut is, 0 at the part's front to 1. */
  let share = $state(0.5);

  const part = $derived(parts.find(({ entryId }) => entryId === chosen) ?? parts[0]);
  const extent = $derived(extentOf(coveredBy(part.footprint, part)));
  const yMm = $derived(extent.y.low + share * (extent.y.high - extent.y.low));
  const view = $derived({
    x: { low: extent.x.low - MARGIN_MM, high: extent.x.high + MARGIN_MM },
    y: { low: -MARGIN_MM, high: (slicing.heightsMm.at(-1) ?? 0) + MARGIN_MM },
  });

  $effect(() => slicing.cut(yMm));
  $effect(() => drawCut(canvas, slicing.cuts, view));
</script>

<canvas bind:this={canvas} class="min-h-0 w-full flex-1" data-testid="section"></canvas>
<div class="flex flex-wrap items-center gap-4">
  <label class="flex items-center gap-2 text-sm"
    >{say.sectionOf}
    <select
      class="border-hairline rounded py-1 pr-8 pl-2"
      value={part.entryId}
      onchange={({ currentTarget }) => (chosen = currentTarget.value)}
    >
      {#each parts as { entryId, student } (entryId)}<option value={entryId}>{student}</option>{/each}
    </select></label
  >
  <label class="flex flex-1 items-center gap-2 text-sm"
    >{say.fromFront}<input
      type="range"
      min="0"
      max="1"
      step="0.005"
      bind:value={share}
      class="accent-primary-700 flex-1"
      aria-valuetext="{(share * (extent.y.high - extent.y.low)).toFixed(1)} mm"
    /></label
  >
  <span class="measured text-sm">{(share * (extent.y.high - extent.y.low)).toFixed(1)} mm</span>
</div>
