<script lang="ts">
  import type { Point, PointsOutline } from '@kelbrin/core/recipe';
  import { middleOf } from './bend';
  import { toPixels, type Sheet } from './sheet';
  import { planTexts as say } from '$lib/texts/plan';

  /** The points of an outline, and the middles of its edges by which they are bent. */
  interface Props {
    outline: PointsOutline;
    sheet: Sheet;
    at: readonly Point[];
    edges: readonly (readonly Point[])[];
    /** The point that is chosen, by its index. */
    chosen: number | undefined;
    ongrab(event: PointerEvent & { currentTarget: Element }, kind: 'point' | 'bend', index: number): void;
  }
  let { outline, sheet, at, edges, chosen, ongrab }: Props = $props();
</script>

{#if !outline.smooth}
  {#each edges as points, i (i)}
    {@const handle = middleOf(points)}
    <circle
      cx={toPixels(sheet, handle)[0]}
      cy={toPixels(sheet, handle)[1]}
      r="4.5"
      fill="#fff"
      stroke="var(--color-primary-400)"
      class="cursor-grab"
      role="presentation"
      data-bend={i}
      onpointerdown={(event) => ongrab(event, 'bend', i)}><title>{say.bend}</title></circle
    >
  {/each}
{/if}
{#each at as point, i (i)}
  <rect
    x={toPixels(sheet, point)[0] - 5}
    y={toPixels(sheet, point)[1] - 5}
    width="10"
    height="10"
    fill={chosen === i ? 'var(--color-primary-700)' : '#fff'}
    stroke="var(--color-primary-700)"
    stroke-width="1.8"
    class="cursor-move"
    role="presentation"
    data-node={i}
    onpointerdown={(event) => ongrab(event, 'point', i)}
  />
{/each}
