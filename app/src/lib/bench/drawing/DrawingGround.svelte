<script lang="ts">
  import type { Point, Region } from '@kelbrin/core/recipe';
  import PaperLines from '../plan/PaperLines.svelte';
  import { pathOf, toPixels, type Sheet } from '../plan/sheet';

  /** What lies under an outline that is drawn: squared paper, what else is there, and the mirror image. */
  interface Props {
    sheet: Sheet;
    widthPx: number;
    heightPx: number;
    /** What else is there, in the measure of the drawing. */
    beside: Region;
    /** The edges whose mirror image belongs to the outline, if any does. */
    mirrored: readonly (readonly Point[])[] | undefined;
  }
  let { sheet, widthPx, heightPx, beside, mirrored }: Props = $props();

  const line = (points: readonly Point[]) =>
    `M${points.map(([x, y]) => toPixels(sheet, [-x, y]).join(' ')).join('L')}`;
</script>

<PaperLines {sheet} {widthPx} {heightPx} axisPx={mirrored ? 1.2 : 0.6} />
<path
  d={pathOf(sheet, beside)}
  fill="none"
  stroke="var(--color-ink-soft)"
  stroke-dasharray="2 3"
  pointer-events="none"
/>
{#each mirrored ?? [] as points, i (i)}
  <path d={line(points)} fill="none" stroke="var(--color-ink-soft)" stroke-width="1" stroke-dasharray="5 4" />
{/each}
