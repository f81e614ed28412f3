<script lang="ts">
  import type { Point } from '@kelbrin/core/recipe';
  import Dimension from '../plan/Dimension.svelte';

  /** The line from the last point to the pointer, as it would be put, with its length. */
  interface Props {
    from: Point;
    to: Point;
    px(point: Point): readonly [number, number];
  }
  let { from, to, px }: Props = $props();
</script>

<path
  d="M{px(from).join(' ')}L{px(to).join(' ')}"
  stroke="var(--color-primary-400)"
  stroke-dasharray="4 3"
  pointer-events="none"
/>
<Dimension from={px(from)} to={px(to)} mm={Math.hypot(to[0] - from[0], to[1] - from[1])} />
