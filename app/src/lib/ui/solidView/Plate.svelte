<script lang="ts">
  import { T } from '@threlte/core';
  import { plateGrid, plateTicks } from './geometry';

  /** The build plate, with its grid and the ticks along its edges. From below it would hide the part, and only they are seen. */
  interface Props {
    plateMm: readonly [number, number];
    isSeenThrough: boolean;
  }
  let { plateMm, isSeenThrough }: Props = $props();

  const ticks = $derived(plateTicks(plateMm[0], plateMm[1]));
  const grid = $derived(plateGrid(plateMm[0], plateMm[1]));
</script>

<T.Mesh position={[0, 0, -0.15]} visible={!isSeenThrough}>
  <T.BoxGeometry args={[plateMm[0], plateMm[1], 0.2]} />
  <T.MeshBasicMaterial color="#3b4747" />
</T.Mesh>
<T.LineSegments geometry={grid} position={[0, 0, -0.03]} visible={!isSeenThrough}>
  <T.LineBasicMaterial color="#4b5958" />
</T.LineSegments>
<T.LineSegments geometry={ticks} position={[0, 0, -0.02]}>
  <T.LineBasicMaterial color="#aab5b2" />
</T.LineSegments>
