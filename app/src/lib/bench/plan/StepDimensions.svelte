<script lang="ts">
  import type { Box } from '@kelbrin/core/mesh';
  import type { Point } from '@kelbrin/core/recipe';
  import Dimension from './Dimension.svelte';
  import { toPixels, type Sheet } from './sheet';

  /** The sizes of a step on the plan, and how far in it lies from the left and the front of what it is on. */
  interface Props {
    sheet: Sheet;
    box: Box;
    /** What it is on, where its sentence measures from its edges. */
    host?: Box;
    /** Whether distances go to its middle, and not to its edges. */
    isToMiddle: boolean;
  }
  let { sheet, box, host, isToMiddle }: Props = $props();

  /** So far beside a step its sizes are written. */
  const BESIDE_PX = 26;
  /** A distance from the front has its figure in the gap; no wider than this, the gap has no room for the width too. */
  const NARROW_GAP_PX = 64;
  /** Distances that are less have no line. */
  const LEAST_MM = 0.05;

  const px = $derived((point: Point) => toPixels(sheet, point));
  const min = $derived(box.min);
  const max = $derived(box.max);
  const middle = $derived<Point>([(min[0] + max[0]) / 2, (min[1] + max[1]) / 2]);
  const to = $derived<Point>(isToMiddle ? middle : [min[0], min[1]]);
  const gapPx = $derived(host ? (min[1] - host.min[1]) * sheet.pixelsPerMm : 0);
  const widthOffPx = $derived(BESIDE_PX + (gapPx > 0 && gapPx < NARROW_GAP_PX ? gapPx : 0));
</script>

<Dimension from={px([min[0], min[1]])} to={px([max[0], min[1]])} mm={max[0] - min[0]} offPx={-widthOffPx} />
<Dimension from={px([max[0], min[1]])} to={px([max[0], max[1]])} mm={max[1] - min[1]} offPx={-BESIDE_PX} />
{#if host && to[0] - host.min[0] > LEAST_MM}
  <Dimension
    from={px([host.min[0], middle[1]])}
    to={px([to[0], middle[1]])}
    mm={to[0] - host.min[0]}
    tone="var(--color-primary-700)"
  />
{/if}
{#if host && to[1] - host.min[1] > LEAST_MM}
  <Dimension
    from={px([middle[0], to[1]])}
    to={px([middle[0], host.min[1]])}
    mm={to[1] - host.min[1]}
    tone="var(--color-primary-700)"
  />
{/if}
