<script lang="ts">
  import type { Px } from '$lib/ui/solidView/outlook';
  import type { SnapLine } from '../plan/snap';

  /** What has caught what is dragged, said beside the pointer. */
  interface Props {
    lines: readonly SnapLine[];
    at: Px;
  }
  let { lines, at }: Props = $props();
</script>

{#each lines as { of }, i (`${i} ${of}`)}
  <text
    x={at[0] + 18}
    y={at[1] + 30 + 16 * i}
    font-size="12"
    fill="var(--color-warn-ink)"
    stroke="#fff"
    stroke-width="4"
    paint-order="stroke">{of}</text
  >
{/each}
