<script lang="ts">
  import type { Point } from '@kelbrin/core/recipe';
  import Dimension from '../plan/Dimension.svelte';
  import type { DrawingState } from './drawing.svelte';
  import { ruleMarks } from './ruleMarks';

  /** What rules ask, drawn where it holds: dimension lines, and the signs of geometry beside edges and points. */
  interface Props {
    drawing: DrawingState;
    px: (point: Point) => readonly [number, number];
  }
  let { drawing, px }: Props = $props();

  const marks = $derived(ruleMarks(drawing.rules, drawing.nodes));
  /** How far beside an edge its dimension and its signs stand, px. */
  const BESIDE_PX = -22;
  const tone = (rule: number) =>
    drawing.clashing.includes(rule) ? 'var(--color-fail)' : 'var(--color-ink-soft)';
</script>

<g data-testid="rule-marks" pointer-events="none">
  {#each marks as mark, i (i)}
    {#if mark.kind === 'length'}
      <Dimension
        from={px(mark.from)}
        to={px(mark.to)}
        mm={mark.mm}
        offPx={mark.isEdge ? BESIDE_PX : 0}
        tone={tone(mark.rule)}
      />
    {:else}
      {@const [x, y] = px(mark.at)}
      <text
        x={x + 10 + 14 * mark.place}
        y={y - 8}
        font-size="14"
        class="measured"
        fill={drawing.clashing.includes(mark.rule) ? 'var(--color-fail)' : 'var(--color-primary-800)'}
        >{mark.sign}</text
      >
    {/if}
  {/each}
</g>
