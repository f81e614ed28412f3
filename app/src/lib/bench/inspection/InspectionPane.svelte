<script lang="ts">
  import type { Finding } from '@kelbrin/core/inspect';
  import InspectionList from '$lib/ui/InspectionList.svelte';
  import { isOnlyToDo } from '$lib/ui/toDo';
  import VerdictChip from '$lib/ui/VerdictChip.svelte';
  import type { BenchState } from '../state/bench.svelte';
  import RemedyList from './RemedyList.svelte';
  import { inspectionTexts as say } from '$lib/texts/inspection';

  interface Props {
    bench: BenchState;
    /** Hears of a finding that shall be seen. */
    onlook(finding: Finding): void;
  }
  let { bench, onlook }: Props = $props();

  let chosen = $state.raw<Finding>();

  // A finding is one of the solid that is shown; what is found out about that solid later does not take it away.
  const mesh = $derived(bench.solid?.mesh);
  $effect(() => {
    void mesh;
    chosen = undefined;
  });

  function choose(finding: Finding, all: readonly Finding[]): void {
    // What was measured on the solid before this one lies on other triangles.
    if (!bench.isCurrent || !bench.solid?.isInspected) return;
    const isAgain = chosen === finding;
    chosen = isAgain ? undefined : finding;
    bench.hatched = isAgain
      ? undefined
      : { triangles: all.flatMap(({ triangles }) => triangles), verdict: finding.verdict };
    bench.showing.findRemedies(isAgain || finding.verdict === 'pass' ? undefined : finding);
    if (isAgain) return;
    if (finding.steps.length > 0) bench.marked = finding.steps.at(-1);
    onlook(finding);
  }
</script>

{#if bench.solid && bench.solid.mesh.triangles.length > 0}
  <div class="border-hairline flex items-center justify-between border-b px-4 py-3">
    <h2>{say.title}</h2>
    {#if bench.isChecked}
      <VerdictChip verdict={bench.solid.inspection.verdict} isToDo={isOnlyToDo(bench.solid.inspection)} />
    {:else if bench.problem && !bench.isCurrent}
      <span class="text-ink-soft text-sm">{say.ofBefore}</span>
    {:else}
      <span class="text-ink-soft text-sm">
        {#if bench.showing.part?.progress}
          {say.at(
            bench.showing.part?.progress.title,
            bench.showing.part?.progress.done + 1,
            bench.showing.part?.progress.of,
          )}
        {:else}
          {say.checking}
        {/if}
      </span>
    {/if}
  </div>
  <div aria-busy={!bench.isChecked}>
    <InspectionList inspection={bench.solid.inspection} isDesigning {chosen} onchoose={choose}>
      {#snippet more()}<RemedyList {bench} />{/snippet}
    </InspectionList>
  </div>
{:else}
  <p class="text-ink-soft p-4">{say.nothingYet}</p>
{/if}
