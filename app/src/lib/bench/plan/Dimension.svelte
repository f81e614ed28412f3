<script lang="ts">
  import { formatMeasured } from '@kelbrin/core/recipe';

  interface Props {
    /** Both ends of what is measured, in pixels. */
    from: readonly [number, number];
    to: readonly [number, number];
    mm: number;
    /** How far beside it the line is drawn, in pixels to its left hand. */
    offPx?: number;
    tone?: string;
    /** Whether it lies on anything, light or dark, and not on paper. */
    isOverAll?: boolean;
  }
  let { from, to, mm, offPx = 0, tone = 'var(--color-ink-soft)', isOverAll = false }: Props = $props();

  const ARROW = 6;
  const long = $derived(Math.hypot(to[0] - from[0], to[1] - from[1]));
  const way = $derived(long < 1e-6 ? [1, 0] : [(to[0] - from[0]) / long, (to[1] - from[1]) / long]);
  const aside = $derived([way[1] * offPx, -way[0] * offPx]);
  const a = $derived([from[0] + aside[0], from[1] + aside[1]]);
  const b = $derived([to[0] + aside[0], to[1] + aside[1]]);
  const middle = $derived([(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]);
  const words = $derived(formatMeasured(mm));
  /** Too short for arrows between its ends: they point from outside. */
  const isShort = $derived(long < 4 * ARROW);
  const head = (x: number, y: number, sign: number) => {
    const s = isShort ? -sign : sign;
    const [ux, uy] = [way[0] * s, way[1] * s];
    return `M${x} ${y}l${ux * ARROW - uy * 2.2} ${uy * ARROW + ux * 2.2}l${uy * 4.4} ${-ux * 4.4}Z`;
  };
</script>

{#snippet line()}
  {#if offPx !== 0}
    <path d="M{from[0]} {from[1]}L{a[0] + aside[0] * 0.15} {a[1] + aside[1] * 0.15}" opacity="0.6" />
    <path d="M{to[0]} {to[1]}L{b[0] + aside[0] * 0.15} {b[1] + aside[1] * 0.15}" opacity="0.6" />
  {/if}
  <path d="M{a[0]} {a[1]}L{b[0]} {b[1]}" />
{/snippet}

{#if isOverAll}<g stroke="#fff" stroke-width="3.2" fill="none" pointer-events="none">{@render line()}</g>{/if}
<g stroke={tone} stroke-width={isOverAll ? 1.2 : 0.8} fill="none" pointer-events="none">
  {@render line()}
  <path d={head(a[0], a[1], 1)} fill={tone} stroke="none" />
  <path d={head(b[0], b[1], -1)} fill={tone} stroke="none" />
  <rect
    x={middle[0] - words.length * 3.6 - 2}
    y={middle[1] - 8}
    width={words.length * 7.2 + 4}
    height="16"
    fill="#fff"
    opacity={isOverAll ? 1 : 0.85}
    stroke="none"
  />
  <text
    x={middle[0]}
    y={middle[1] + 4}
    text-anchor="middle"
    class="measured"
    font-size="12"
    fill="var(--color-ink)"
    stroke="none">{words}</text
  >
</g>
