<script lang="ts">
  import { toggled } from '@kelbrin/core/recipe';
  import type { PlanCorner } from '@kelbrin/core/solid';
  import { sayList } from '@kelbrin/core/words';
  import TickList from './TickList.svelte';
  import { benchTexts as say } from '$lib/texts/bench';

  interface Props {
    label: string;
    /** The numbers of the corners that are chosen. */
    chosen: readonly number[];
    /** The corners that there are, in the order of their numbers. */
    corners: readonly PlanCorner[];
    onchange(chosen: number[]): void;
    /** They shall be tapped on the plan. */
    onopen(): void;
  }
  let { label, chosen, corners, onchange, onopen }: Props = $props();

  /** Corners that the outline has no more cannot be kept. */
  const there = $derived(chosen.filter((number) => number <= corners.length));
</script>

<TickList
  {label}
  words={chosen.length === 0 ? say.cornersToChoose : sayList(chosen.map(String))}
  isWrong={chosen.length === 0}
  items={corners.map(({ isOuter }, i) => ({
    label: isOuter ? say.outerCorner(i + 1) : say.innerCorner(i + 1),
    isTicked: there.includes(i + 1),
  }))}
  none={say.noCorners}
  ontick={(at) => onchange(toggled(there, at + 1))}
  elsewhere={corners.some(({ at }) => at) ? { label: say.tapCorners, open: onopen } : undefined}
/>
