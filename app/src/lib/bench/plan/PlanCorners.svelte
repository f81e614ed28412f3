<script lang="ts">
  import type { Point } from '@kelbrin/core/recipe';
  import type { PlanCorner } from '@kelbrin/core/solid';
  import { planTexts as say } from '$lib/texts/plan';

  /** The corners of an outline with their numbers, to be tapped. The sentence lists them for the keyboard. */
  interface Props {
    corners: readonly PlanCorner[];
    chosen: readonly number[];
    px: (point: Point) => Point;
    /** As an inset it only shows. */
    isSmall: boolean;
    ontap(number: number): void;
  }
  let { corners, chosen, px, isSmall, ontap }: Props = $props();
</script>

{#each corners as { at }, i (i)}
  {#if at}
    {@const isChosen = chosen.includes(i + 1)}
    {@const [x, y] = px(at)}
    <g
      class={isSmall ? 'pointer-events-none' : 'cursor-pointer'}
      role="presentation"
      data-corner={i + 1}
      transform="translate({x} {y})"
      onpointerdown={(event) => {
        event.stopPropagation();
        ontap(i + 1);
      }}
    >
      <title>{say.corner(i + 1)}</title>
      <circle r="16" fill="transparent" />
      <circle
        r={isSmall ? 6 : 9}
        fill={isChosen ? 'var(--color-primary-700)' : '#fff'}
        stroke="var(--color-primary-700)"
        stroke-width="1.6"
      />
      <text
        text-anchor="middle"
        dominant-baseline="central"
        class="measured {isSmall ? 'text-[9px]' : 'text-xs'}"
        fill={isChosen ? '#fff' : 'var(--color-primary-800)'}>{i + 1}</text
      >
    </g>
  {/if}
{/each}
