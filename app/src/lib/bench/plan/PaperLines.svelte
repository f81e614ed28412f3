<script lang="ts">
  import { paperLines, toPixels, type Sheet } from './sheet';

  /** The lines of the paper, every so many millimetres, and the two axes through the middle of the plate. */
  interface Props {
    sheet: Sheet;
    widthPx: number;
    heightPx: number;
    /** How wide the upright axis is drawn, where it is more than a line of the paper. */
    axisPx?: number;
    tone?: string;
    opacity?: number;
  }
  let { sheet, widthPx, heightPx, axisPx = 0.6, tone = 'var(--color-ink)', opacity = 1 }: Props = $props();

  const lines = $derived(paperLines(sheet));
  const left = $derived((mm: number) => toPixels(sheet, [mm, 0])[0]);
  const top = $derived((mm: number) => toPixels(sheet, [0, mm])[1]);
</script>

<g stroke="var(--color-hairline)" stroke-width="0.5">
  {#each lines.xs as x (x)}<line x1={left(x)} x2={left(x)} y1="0" y2={heightPx} />{/each}
  {#each lines.ys as y (y)}<line x1="0" x2={widthPx} y1={top(y)} y2={top(y)} />{/each}
</g>
<g stroke={tone} stroke-width="0.6" stroke-dasharray="12 3 2 3" {opacity}>
  <line x1={left(0)} x2={left(0)} y1="0" y2={heightPx} stroke-width={axisPx} />
  <line x1="0" x2={widthPx} y1={top(0)} y2={top(0)} />
</g>
