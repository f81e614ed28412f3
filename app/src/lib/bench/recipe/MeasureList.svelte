<script lang="ts">
  import Link2 from '@lucide/svelte/icons/link-2';
  import Link2Off from '@lucide/svelte/icons/link-2-off';
  import Plus from '@lucide/svelte/icons/plus';
  import X from '@lucide/svelte/icons/x';
  import DimensionField from '$lib/ui/DimensionField.svelte';
  import { isFormula, type Amount } from '@kelbrin/core/recipe';
  import type { BenchState } from '../state/bench.svelte';
  import { benchTexts as say } from '$lib/texts/bench';

  let { bench }: { bench: BenchState } = $props();

  /** What was typed into a measure and refused, until it is mended. */
  let refused = $state<{ name: string; message: string }>();
  const problem = $derived(
    refused ?? (bench.problem?.measure ? { name: bench.problem.measure, ...bench.problem } : undefined),
  );
  /** A measure may use those above it. */
  const above = $derived((index: number) => {
    const names = new Set(bench.recipe.measures.slice(0, index).map(({ name }) => name));
    return new Map([...bench.measures].filter(([name]) => names.has(name)));
  });

  /** What printers of this kind keep to. */
  const FIRST_TOLERANCE = 0.2;

  /** Nothing is no tolerance. */
  function tolerate(name: string, value: Amount, gesture?: number): void {
    if (isFormula(value)) refused = { name, message: say.toleranceIsNumber };
    else bench.measuring.set(name, { tolerance: value === 0 ? undefined : value }, gesture);
  }

  function rename(from: string, event: Event & { currentTarget: HTMLInputElement }): void {
    const to = event.currentTarget.value.trim();
    if (to === from) return;
    bench.measuring.set(from, { name: to });
    // A name that cannot be is said, and the old one stands again.
    const isTaken = !bench.recipe.measures.some(({ name }) => name === to);
    refused = isTaken && bench.problem ? { name: from, message: bench.problem.message } : undefined;
    event.currentTarget.value = isTaken ? from : to;
  }
</script>

<section class="border-hairline border-b px-3 py-2" aria-label={say.measures}>
  <div class="flex items-center justify-between">
    <h2 class="text-ink-soft text-sm font-semibold">{say.measures}</h2>
    <button
      type="button"
      class="hover:bg-primary-50 text-primary-800 flex items-center gap-1 rounded px-1.5 py-0.5 text-sm"
      onclick={() => bench.measuring.add()}
    >
      <Plus size={14} aria-hidden="true" />{say.addMeasure}
    </button>
  </div>
  {#if bench.recipe.measures.length > 0}
    <ul>
      {#each bench.recipe.measures as measure, index (measure.name)}
        <li class="group flex items-baseline gap-1 py-0.5 leading-7">
          <input
            class="word measured"
            type="text"
            size={Math.max(2, measure.name.length)}
            aria-label={say.nameOfMeasure}
            value={measure.name}
            onchange={(event) => rename(measure.name, event)}
          />
          <span>=</span>
          <DimensionField
            value={measure.value}
            worth={bench.measures.get(measure.name)}
            label={measure.name}
            min={-10000}
            max={10000}
            nudge={0.1}
            measures={above(index)}
            problem={problem?.name === measure.name ? problem.message : undefined}
            onchange={(value, gesture) => bench.measuring.set(measure.name, { value }, gesture)}
            onproblem={(message) =>
              (refused = message === undefined ? undefined : { name: measure.name, message })}
          />
          {#if measure.tolerance !== undefined}
            <span class="text-ink-soft" aria-hidden="true">±</span>
            <DimensionField
              value={measure.tolerance}
              bare
              label={say.tolerance(measure.name)}
              min={0}
              max={100}
              nudge={0.05}
              onchange={(value, gesture) => tolerate(measure.name, value, gesture)}
              onproblem={(message) =>
                (refused = message === undefined ? undefined : { name: measure.name, message })}
            />
          {:else}
            <button
              type="button"
              class="text-ink-soft hover:text-primary-800 rounded px-1"
              aria-label={say.addTolerance(measure.name)}
              title={say.whatTolerance}
              onclick={() => bench.measuring.set(measure.name, { tolerance: FIRST_TOLERANCE })}>±</button
            >
          {/if}
          {#if bench.design.parts.length > 1}
            <button
              type="button"
              class="ml-auto p-1 {measure.shared ? 'text-primary-700' : 'text-ink-soft'}"
              aria-pressed={measure.shared === true}
              aria-label={say.share(measure.name)}
              title={measure.shared ? say.isShared : say.shareIt}
              onclick={() => bench.measuring.share(measure.name, !measure.shared)}
            >
              {#if measure.shared}<Link2 size={14} />{:else}<Link2Off size={14} />{/if}
            </button>
          {/if}
          <button
            type="button"
            class="text-ink-soft hover:text-fail p-1 {bench.design.parts.length > 1 ? '' : 'ml-auto'}"
            aria-label={say.deleteMeasure(measure.name)}
            onclick={() => bench.measuring.remove(measure.name)}
          >
            <X size={14} />
          </button>
        </li>
        {#if problem?.name === measure.name}
          <li role="alert" class="text-fail text-sm">{problem.message}</li>
        {/if}
      {/each}
    </ul>
  {/if}
</section>
