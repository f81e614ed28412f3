<script lang="ts">
  import { T } from '@threlte/core';
  import type { SurfacePoint } from '@kelbrin/core/mesh';
  import { disposing } from './disposing.svelte';
  import { lines, thickLine } from './geometry';

  /** The places that are measured between, and the way from one to the other. */
  interface Props {
    ends: readonly SurfacePoint[];
  }
  let { ends }: Props = $props();

  const way = $derived(ends.length === 2 ? thickLine(ends[0].point, ends[1].point) : undefined);
  const points = $derived(lines(Float32Array.from(ends.flatMap(({ point }) => point))));
  disposing(() => [points]);
  disposing(() => [way?.geometry]);
</script>

<!-- Drawn last and through everything, so that a measured way inside a hole is seen. -->
<T.Points geometry={points} renderOrder={2}>
  <T.PointsMaterial color="#b5402a" size={8} sizeAttenuation={false} depthTest={false} />
</T.Points>
{#if way}<T is={way} renderOrder={2} />{/if}
