<script lang="ts">
  import { T } from '@threlte/core';
  import type { Cut, SectionView } from '@kelbrin/core/solid';
  import { disposing } from './disposing.svelte';
  import { sectionFace } from './geometry';
  import { sectionMaterial } from './materials';

  /** What is solid where the part is cut. */
  interface Props {
    cut: Cut;
    section: SectionView;
  }
  let { cut, section }: Props = $props();

  const material = sectionMaterial();
  const { across } = $derived(section.cut);
  const face = $derived(section.region.length > 0 ? sectionFace(section.region, across) : undefined);
  disposing(() => [face]);
  /** While the cut moves, the section that is there goes along until the next one is. */
  const at = $derived((['x', 'y', 'z'] as const).map((axis) => (axis === across ? cut.atMm : 0)));
</script>

{#if face && cut.across === across}
  <T.Mesh geometry={face} {material} position={[at[0], at[1], at[2]]} />
{/if}
