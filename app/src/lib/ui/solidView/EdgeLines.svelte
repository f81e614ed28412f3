<script lang="ts">
  import { T, useThrelte } from '@threlte/core';
  import { onDestroy } from 'svelte';
  import { LineSegments2 } from 'three/examples/jsm/lines/LineSegments2.js';
  import { LineSegmentsGeometry } from 'three/examples/jsm/lines/LineSegmentsGeometry.js';
  import { LineMaterial } from 'three/examples/jsm/lines/LineMaterial.js';
  import type { OfferedEdge } from '@kelbrin/core/recipe';

  /** Edges that can be tapped: thin ones, and thick ones that are chosen, which are seen through the part. */
  interface Props {
    edges: readonly OfferedEdge[];
  }
  let { edges }: Props = $props();
  const { invalidate } = useThrelte();

  /** Dark on a light ground of their own, so that they are seen on any filament. */
  const [INK, PAPER] = ['#22302e', '#faf7f0'];
  const dashes = { dashed: true, dashSize: 1.6, gapSize: 1 };
  const looks = [
    { isChosen: false, material: new LineMaterial({ color: PAPER, linewidth: 3 }) },
    { isChosen: false, material: new LineMaterial({ color: INK, linewidth: 1.5, ...dashes }) },
    { isChosen: true, material: new LineMaterial({ color: PAPER, linewidth: 9, depthTest: false }) },
    { isChosen: true, material: new LineMaterial({ color: '#17695b', linewidth: 5, depthTest: false }) },
  ];
  const drawn = $derived(looks.map(linesOf));
  $effect(() => {
    const held = drawn;
    invalidate();
    return () => held.forEach(({ geometry }) => geometry.dispose());
  });
  onDestroy(() => {
    looks.forEach(({ material }) => material.dispose());
    invalidate();
  });

  function linesOf({ isChosen, material }: (typeof looks)[number]): LineSegments2 {
    const ends = edges
      .filter((edge) => edge.isChosen === isChosen)
      .flatMap(({ points }) => points.slice(1).flatMap((to, i) => [...points[i], ...to]));
    return new LineSegments2(new LineSegmentsGeometry().setPositions(ends), material).computeLineDistances();
  }
</script>

{#each drawn as lines, i (i)}
  <T is={lines} renderOrder={2 + i} visible={lines.geometry.instanceCount > 0} />
{/each}
