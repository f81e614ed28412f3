<script lang="ts">
  import { toPixels, type Sheet } from './sheet';
  import type { SnapLine } from './snap';

  /** The lines that have caught what is dragged, with what they belong to. */
  interface Props {
    guides: { readonly x?: SnapLine; readonly y?: SnapLine };
    sheet: Sheet;
    widthPx: number;
    heightPx: number;
  }
  let { guides, sheet, widthPx, heightPx }: Props = $props();
</script>

<g pointer-events="none" stroke="var(--color-warn)" stroke-width="1" stroke-dasharray="6 3">
  {#if guides.x}
    {@const x = toPixels(sheet, [guides.x.at, 0])[0]}
    <line x1={x} x2={x} y1="0" y2={heightPx} />
    <text x={x + 4} y="14" font-size="12" fill="var(--color-warn-ink)" stroke="none">{guides.x.of}</text>
  {/if}
  {#if guides.y}
    {@const y = toPixels(sheet, [0, guides.y.at])[1]}
    <line x1="0" x2={widthPx} y1={y} y2={y} />
    <text x="6" y={y - 4} font-size="12" fill="var(--color-warn-ink)" stroke="none">{guides.y.of}</text>
  {/if}
</g>
