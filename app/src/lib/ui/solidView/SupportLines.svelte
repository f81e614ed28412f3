<script lang="ts">
  import { T, useThrelte } from '@threlte/core';
  import { BufferAttribute, BufferGeometry } from 'three';

  /** The lines of supports around a part, as pairs of ends: they are plastic too, but do not stay. */
  let { ends }: { ends: Float32Array } = $props();
  const { invalidate } = useThrelte();

  const geometry = $derived(new BufferGeometry().setAttribute('position', new BufferAttribute(ends, 3)));
  $effect(() => {
    const held = geometry;
    invalidate();
    return () => held.dispose();
  });
</script>

<T.LineSegments {geometry}>
  <T.LineBasicMaterial color="#D98C8C" transparent opacity={0.45} depthWrite={false} />
</T.LineSegments>
