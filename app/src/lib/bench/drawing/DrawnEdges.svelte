<script lang="ts">
  import type { Point } from '@kelbrin/core/recipe';
  import type { DrawingState } from './drawing.svelte';
  import { drawingTexts as say } from '$lib/texts/drawing';

  /** The edges of an outline, which are marked by a click. */
  interface Props {
    drawing: DrawingState;
    edges: readonly (readonly Point[])[];
    line(points: readonly Point[]): string;
    ongrab(event: PointerEvent & { currentTarget: Element }, kind: 'edge', index: number): void;
    oninsert(index: number): void;
  }
  let { drawing, edges, line, ongrab, oninsert }: Props = $props();
</script>

{#each edges as points, i (i)}
  <path
    d={line(points)}
    fill="none"
    stroke="var(--color-primary-700)"
    stroke-width={drawing.marks.edges.includes(i) ? 4 : 2}
    opacity={drawing.outline.smooth ? 0.35 : 1}
  />
  <path
    d={line(points)}
    fill="none"
    stroke="transparent"
    stroke-width="14"
    role="presentation"
    class="cursor-pointer"
    data-edge={i}
    onpointerdown={(event) => ongrab(event, 'edge', i)}
    ondblclick={() => oninsert(i)}><title>{say.putIn}</title></path
  >
{/each}
