<script lang="ts">
  import { toPixels, type Sheet } from './sheet';
  import { supportMarks } from './supportMarks';

  /** The supports of a part seen from above: plastic too, but none that stays. */
  let { sheet, ends }: { sheet: Sheet; ends: Float32Array } = $props();

  const marks = $derived(supportMarks(ends));
  const d = $derived(
    marks
      .map(([fromX, fromY, toX, toY]) => {
        const [from, to] = [toPixels(sheet, [fromX, fromY]), toPixels(sheet, [toX, toY])];
        return `M${from.map((at) => at.toFixed(1)).join(' ')}L${to.map((at) => at.toFixed(1)).join(' ')}`;
      })
      .join(''),
  );
</script>

<path
  {d}
  fill="none"
  stroke="#d98c8c"
  stroke-width="0.6"
  stroke-opacity="0.6"
  pointer-events="none"
  data-testid="plan-supports"
/>
