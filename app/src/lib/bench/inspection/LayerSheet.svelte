<script lang="ts">
  import type { Box } from '@kelbrin/core/mesh';
  import { formatNumber } from '@kelbrin/core/recipe';
  import { printedLinesTexts as say } from '$lib/texts/printedLines';
  import { drawLayer, type View } from '$lib/ui/printedLines/drawLayer';
  import LinesLegend from '$lib/ui/printedLines/LinesLegend.svelte';
  import type { PrintedLayer } from '$lib/ui/printedLines/shownLayer';

  /** A layer of the part as it is printed, line by line. */
  interface Props {
    layer: PrintedLayer;
    /** The box of the part. */
    box: Box;
    /** As an inset it leaves the legend out. */
    isSmall?: boolean;
  }
  let { layer, box, isSmall = false }: Props = $props();

  const MARGIN_MM = 2;
  const WHOLE = { lines: Infinity, share: 0 };

  let canvas = $state<HTMLCanvasElement>();
  let widthPx = $state(0);
  let heightPx = $state(0);
  /** Where the part is, so that nothing jumps from layer to layer. */
  const view = $derived<View>({
    x: { low: box.min[0] - MARGIN_MM, high: box.max[0] + MARGIN_MM },
    y: { low: box.min[1] - MARGIN_MM, high: box.max[1] + MARGIN_MM },
  });
  const words = $derived(say.layerOf(layer.index + 1, layer.of, formatNumber(layer.zMm)));

  $effect(() => {
    if (canvas && widthPx > 0 && heightPx > 0) drawLayer(canvas, layer, view, WHOLE);
  });
</script>

<div
  class="relative h-full w-full"
  role="img"
  aria-label="{say.lines}: {words}"
  data-testid="printed-layer"
  bind:clientWidth={widthPx}
  bind:clientHeight={heightPx}
>
  <canvas bind:this={canvas} class="block h-full w-full"></canvas>
  <p class="absolute top-1 left-2 rounded bg-white/85 px-1 text-sm">{words}</p>
  {#if !isSmall}<div class="absolute top-2 right-2"><LinesLegend shown={layer} /></div>{/if}
</div>
