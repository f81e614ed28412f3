<script lang="ts">
  import type { Point, PointsOutline } from '@kelbrin/core/recipe';
  import { middleOf } from './bend';
  import { toPixels, type Sheet } from '../plan/sheet';
  import { drawingTexts as say } from '$lib/texts/drawing';

  /** The points of an outline, and the middles of its edges by which they are bent. */
  interface Props {
    outline: PointsOutline;
    sheet: Sheet;
    at: readonly Point[];
    edges: readonly (readonly Point[])[];
    /** The points that are marked, by their index. */
    marked: readonly number[];
    ongrab(event: PointerEvent & { currentTarget: Element }, kind: 'point' | 'bend', index: number): void;
  }
  let { outline, sheet, at, edges, marked, ongrab }: Props = $props();
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
    fill={marked.includes(i) ? 'var(--color-primary-700)' : '#fff'}
    stroke="var(--color-primary-700)"
    stroke-width="1.8"
    class="cursor-move"
    role="presentation"
    data-node={i}
    onpointerdown={(event) => ongrab(event, 'point', i)}
  />
{/each}
