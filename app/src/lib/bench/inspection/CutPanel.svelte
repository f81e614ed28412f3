<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { boundsOf } from '@kelbrin/core/mesh';
  import { axes, axisIndex, formatNumber, type Axis } from '@kelbrin/core/recipe';
  import type { Cut } from '@kelbrin/core/solid';
  import NumberField from '$lib/ui/NumberField.svelte';
  import { solidTexts as say } from '$lib/texts/solidView';
  import type { BenchState } from '../state/bench.svelte';
  import { middleCut } from '../state/middleCut';

  /** Where the part is cut: across which axis and how far along it, and whether what is printed there is shown. */
  interface Props {
    bench: BenchState;
    cut: Cut;
  }
  let { bench, cut }: Props = $props();

  const STEP_MM = 0.05;

  const box = $derived(boundsOf(bench.solid!.mesh));
  const i = $derived(axisIndex[cut.across]);
  /** Counted from the left, from the front or from the plate, as sentences count. */
  const low = $derived(cut.across === 'z' ? 0 : box.min[i]);
  const longMm = $derived(Math.round((box.max[i] - low) * 100) / 100);
  const atMm = $derived(Math.round((cut.atMm - low) * 100) / 100);
  const isSlicing = $derived(bench.showing.isPrinted && !bench.showing.part?.layer);

  const seenFrom: Record<Axis, string> = { z: say.fromTop, y: say.fromFront, x: say.fromRight };
  const counted: Record<Axis, string> = { z: say.upFromPlate, y: say.inFromFront, x: say.inFromLeft };

  function move(mm: number): void {
    bench.showing.cutAt({ across: cut.across, atMm: low + Math.min(longMm, Math.max(0, mm)) });
  }
</script>

<section
  class="border-hairline touchable flex w-full flex-col gap-1.5 rounded border bg-white px-2.5 py-2 text-sm"
  aria-label={say.cut}
>
  <div class="flex items-center gap-1.5">
    <span id="cut-from" class="whitespace-nowrap">{say.cutFrom}</span>
    <div class="border-hairline flex overflow-hidden rounded border" role="group" aria-labelledby="cut-from">
      {#each [...axes].reverse() as across (across)}
        <button
          type="button"
          class="border-hairline px-2 py-0.5 not-first:border-l {across === cut.across
            ? 'bg-primary-700 text-white'
            : 'hover:bg-primary-50'}"
          aria-pressed={across === cut.across}
          onclick={() => across !== cut.across && bench.showing.cutAt(middleCut(across, box))}
        >
          {seenFrom[across]}
        </button>
      {/each}
    </div>
    <button
      type="button"
      class="tool plain ml-auto"
      title={say.closeCut}
      aria-label={say.closeCut}
      onclick={() => bench.showing.cutAt(undefined)}><X size={15} aria-hidden="true" /></button
    >
  </div>
  <input
    type="range"
    class="accent-primary-700 w-full"
    min="0"
    max={longMm}
    step={STEP_MM}
    value={atMm}
    aria-label={say.whereCut}
    aria-valuetext="{formatNumber(atMm)} {counted[cut.across]}"
    oninput={({ currentTarget }) => move(Number(currentTarget.value))}
  />
  <div class="flex items-center gap-1.5">
    <NumberField
      class="w-18 px-2 py-0.5"
      kept={atMm}
      min={0}
      max={longMm}
      unit="mm"
      nudge={0.1}
      label={say.whereCut}
      onchange={(mm) => mm !== null && move(mm)}
    />
    <span>{counted[cut.across]}</span>
  </div>
  {#if cut.across === 'z'}
    <label class="flex items-center gap-2 pointer-coarse:min-h-11">
      <input
        type="checkbox"
        class="text-primary-700 rounded"
        checked={bench.showing.isPrinted}
        onchange={({ currentTarget }) => bench.showing.showPrinted(currentTarget.checked)}
      />
      {say.printedLines}{#if isSlicing}<span class="text-ink-soft">{say.slicing}</span>{/if}
    </label>
  {/if}
</section>
