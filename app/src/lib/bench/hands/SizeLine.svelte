<script lang="ts">
  import type { End } from '@kelbrin/core/recipe';
  import type { Px } from '$lib/ui/solidView/outlook';
  import Dimension from '../plan/Dimension.svelte';

  /** A dimension line on the solid: its arrows are dragged where the end goes along, and its figure is typed over. */
  interface Props {
    label: string;
    /** Both ends, the low one first. */
    px: readonly [Px, Px];
    mm: number;
    offPx: number;
    /** The ends that go along. */
    ends?: readonly End[];
    tone?: string;
    onbegin?(event: PointerEvent & { currentTarget: Element }, end: End): void;
    ontype(): void;
  }
  let { label, px, mm, offPx, ends = [], tone, onbegin, ontype }: Props = $props();

  /** Between arrows that are nearer to each other there is no room for fingers. */
  const NARROW_PX = 46;

  const long = $derived(Math.hypot(px[1][0] - px[0][0], px[1][1] - px[0][1]) || 1);
  const way = $derived<Px>([(px[1][0] - px[0][0]) / long, (px[1][1] - px[0][1]) / long]);
  const aside = $derived<Px>([way[1] * offPx, -way[0] * offPx]);
  const outPx = $derived(long < NARROW_PX ? (NARROW_PX - long) / 2 : 0);
  const arrows = $derived(
    ends.map((end) => {
      const sign = end === 'high' ? 1 : -1;
      const [x, y] = px[end === 'high' ? 1 : 0];
      return {
        end,
        x: x + aside[0] + sign * outPx * way[0],
        y: y + aside[1] + sign * outPx * way[1],
        deg: (Math.atan2(sign * way[1], sign * way[0]) * 180) / Math.PI,
      };
    }),
  );
  const middle = $derived<Px>([(px[0][0] + px[1][0]) / 2 + aside[0], (px[0][1] + px[1][1]) / 2 + aside[1]]);
</script>

<Dimension from={px[0]} to={px[1]} {mm} {offPx} {tone} isOverAll />
<!-- A narrow size has its figure between its arrows, where it is in the way of neither. -->
<g class="figure" role="presentation" data-figure={label} onclick={ontype}>
  <title>{label}</title>
  <rect x={middle[0] - 22} y={middle[1] - 12} width="44" height="24" fill="transparent" />
</g>
{#each arrows as { end, x, y, deg } (end)}
  <g
    class="arrow"
    role="presentation"
    data-arrow="{label}: {end}"
    transform="translate({x} {y}) rotate({deg})"
    onpointerdown={(event) => onbegin?.(event, end)}
  >
    <title>{label}</title>
    <circle class="reach" fill="transparent" />
    <path d="M3 0L-11 -5.5L-11 5.5Z" fill="var(--color-primary-700)" stroke="#fff" stroke-width="1.4" />
  </g>
{/each}

<style>
  .arrow,
  .figure {
    cursor: pointer;
    pointer-events: auto;
    touch-action: none;
  }
  .arrow {
    cursor: grab;
  }
  .figure {
    cursor: text;
  }
  .reach {
    r: 15px;
  }
  @media (pointer: coarse) {
    .reach {
      r: 22px;
    }
  }
</style>
