<script lang="ts">
  import { T } from '@threlte/core';
  import { distanceBetween, measuredPlace, type MeasuredEnd } from '@kelbrin/core/mesh';
  import { disposing } from './disposing.svelte';
  import { lines, thickLine } from './geometry';

  /** The places and edges that are measured between, and the way from one to the other. */
  interface Props {
    ends: readonly MeasuredEnd[];
  }
  let { ends }: Props = $props();

  const between = $derived(ends.length === 2 ? distanceBetween(ends[0], ends[1]) : undefined);
  const way = $derived(
    between && between.straightMm > 0.005 ? thickLine([between.from, between.to]) : undefined,
  );
  const pressed = $derived(
    ends.flatMap(({ edge }) => {
      if (!edge) return [];
      if (edge.kind === 'straight') return [thickLine([edge.from, edge.to])];
      return [thickLine(edge.isWhole ? [...edge.points, edge.points[0]] : edge.points)];
    }),
  );
  const places = $derived(between ? [between.from, between.to] : ends.map(measuredPlace));
  const points = $derived(lines(Float32Array.from(places.flat())));
  disposing(() => [points]);
  disposing(() => pressed.map(({ geometry }) => geometry));
  disposing(() => [way?.geometry]);
</script>

<!-- Drawn last and through everything, so that a measured way inside a hole is seen. -->
<T.Points geometry={points} renderOrder={2}>
  <T.PointsMaterial color="#b5402a" size={8} sizeAttenuation={false} depthTest={false} />
</T.Points>
{#if way}<T is={way} renderOrder={2} />{/if}
{#each pressed as edge (edge.uuid)}<T is={edge} renderOrder={2} />{/each}
