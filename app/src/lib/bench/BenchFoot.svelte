<script lang="ts">
  import type { LimitsCard } from '@kelbrin/core/inspect';
  import { formatNumber } from '@kelbrin/core/recipe';
  import { boundsOf } from '@kelbrin/core/mesh';
  import RealSizeDialog from './dialogs/RealSizeDialog.svelte';
  import type { BenchState } from './state/bench.svelte';
  import type { SaveState } from './state/saving';
  import { benchTexts as say } from '$lib/texts/bench';
  import PartTakes from '$lib/ui/PartTakes.svelte';

  interface Props {
    bench: BenchState;
    save: SaveState;
    limits: LimitsCard;
    /** How many copies the brief wants. */
    copies: number;
  }
  let { bench, save, limits, copies }: Props = $props();

  let isRealSize = $state(false);

  const part = $derived(bench.solid?.inspection.part);
  const size = $derived(part?.sizeMm.map((mm) => formatNumber(Math.round(mm * 10) / 10)).join(' × '));
  const words: Record<SaveState, string> = {
    saved: say.saved,
    saving: say.saving,
    offline: say.offline,
    conflict: say.changedElsewhere,
    signedOut: say.signedOut,
    busy: say.busy,
    refused: say.refused,
  };
</script>

<div
  class="border-hairline flex min-h-9 shrink-0 flex-wrap items-center gap-x-6 border-t bg-white px-4 text-sm max-sm:gap-x-3 max-sm:px-2"
  role="group"
  aria-label={say.part}
>
  {#if part && part.triangles > 0}
    <button
      type="button"
      class="hover:bg-primary-50 -mx-1 rounded px-1 pointer-coarse:min-h-11"
      title={say.seeRealSize}
      onclick={() => (isRealSize = true)}><span class="measured">{size}</span> mm</button
    >
    <span><span class="measured">{(part.volumeMm3 / 1000).toFixed(2)}</span> cm³</span>
    {#if bench.showing.estimate}
      <PartTakes
        estimate={bench.showing.estimate}
        {limits}
        {copies}
        isFresh={bench.showing.hasPrintNeeds}
        colours={bench.solid?.colours}
      />
    {/if}
  {:else}
    <span class="text-ink-soft">{say.nothingToPrint}</span>
  {/if}
  <span
    class="ml-auto {save === 'saved' || save === 'saving' ? 'text-ink-soft' : 'text-warn-ink font-semibold'}"
    role="status"
    data-save={save}
  >
    {words[save]}
  </span>
</div>

{#if isRealSize && bench.solid}
  <RealSizeDialog
    edges={bench.solid.edges}
    box={boundsOf(bench.solid.mesh)}
    onclose={() => (isRealSize = false)}
  />
{/if}
