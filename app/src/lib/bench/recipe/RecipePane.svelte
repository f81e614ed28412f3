<script lang="ts">
  import Plus from '@lucide/svelte/icons/plus';
  import Square from '@lucide/svelte/icons/square';
  import Volume from '@lucide/svelte/icons/volume-2';
  import { onDestroy, untrack } from 'svelte';
  import { Button } from 'flowbite-svelte';
  import Dialog from '$lib/ui/Dialog.svelte';
  import type { OpenedToken } from '@kelbrin/core/recipe';
  import type { BenchState } from '../state/bench.svelte';
  import type { CompanyAtBench } from '../state/company.svelte';
  import type { Portraits } from '../state/portraits.svelte';
  import MeasureList from './MeasureList.svelte';
  import PartTabs from './PartTabs.svelte';
  import { ReadAloud } from '../state/readAloud.svelte';
  import { browserVoice } from '../state/voice';
  import { wholeStep } from './wholeStep.svelte';
  import RecipeStep from './RecipeStep.svelte';
  import { benchTexts as say } from '$lib/texts/bench';
  import { offerTexts } from '$lib/texts/offers';

  interface Props {
    bench: BenchState;
    company: CompanyAtBench;
    portraits: Portraits;
    onopen(stepId: string, token: OpenedToken): void;
    /** Asks for a file that holds a part. */
    onfile(): void;
    /** Whether what can be added is shown. */
    isAdding: boolean;
    onadd(): void;
    onexample(): void;
  }
  let { bench, company, portraits, onopen, onfile, isAdding, onadd, onexample }: Props = $props();

  /** What concerns neither a step nor a measure is said above all of them. */
  const generalProblem = $derived(
    bench.problem && !bench.problem.stepId && !bench.problem.measure ? bench.problem.message : undefined,
  );
  const troubled = $derived(
    new Set(
      bench.solid?.inspection.checks.flatMap(({ findings }) =>
        findings.filter(({ verdict }) => verdict === 'fail').flatMap(({ steps }) => steps),
      ),
    ),
  );

  const voice = browserVoice();
  const reading = voice && untrack(() => new ReadAloud(bench, voice));
  onDestroy(() => reading?.stop());

  const whole = wholeStep(() => bench.marked);
</script>

<PartTabs {bench} {portraits} {onfile} {onexample} />
{#if generalProblem}<p role="alert" class="text-fail px-3 py-1 text-sm">{generalProblem}</p>{/if}
{#if bench.recipe.measures.length > 0}<MeasureList {bench} />{/if}
<ol class="flex flex-col gap-0.5 px-2 py-1" aria-label={say.recipe}>
  {#each bench.recipe.steps as step, index (step.id)}
    <RecipeStep
      {bench}
      {step}
      {index}
      mates={company.at(bench.partId, step.id)}
      isWhole={whole.stepId === step.id}
      isTroubled={troubled.has(step.id)}
      {onopen}
    />
  {:else}
    <li class="text-ink-soft px-3 py-6">
      {say.empty}
      <button type="button" class="word" onclick={onexample}>{say.emptyExample}</button>.
    </li>
  {/each}
</ol>
<div class="border-hairline sticky bottom-0 mt-auto flex border-t bg-white">
  <button
    type="button"
    class="text-primary-800 hover:bg-primary-50 flex flex-1 items-center gap-1 px-3 py-2 font-semibold pointer-coarse:min-h-11"
    aria-expanded={isAdding}
    title={offerTexts.addStepHow}
    data-add-step
    onclick={onadd}
  >
    <Plus size={16} aria-hidden="true" />{offerTexts.addStep}
  </button>
  {#if bench.recipe.measures.length === 0}
    <button
      type="button"
      class="text-primary-800 hover:bg-primary-50 flex shrink-0 items-center gap-1 px-3 py-2 text-sm pointer-coarse:min-h-11"
      onclick={() => bench.measuring.add()}
    >
      <Plus size={14} aria-hidden="true" />{say.addMeasure}
    </button>
  {/if}
  {#if reading && bench.recipe.steps.length > 0}
    {@const Icon = reading.isReading ? Square : Volume}
    <button
      type="button"
      class="text-primary-800 hover:bg-primary-50 shrink-0 px-3 py-2 pointer-coarse:min-w-11"
      aria-label={reading.isReading ? say.stopReading : say.readAloud}
      title={reading.isReading ? say.stopReading : say.readAloud}
      onclick={() => (reading.isReading ? reading.stop() : reading.start())}
    >
      <Icon size={16} aria-hidden="true" />
    </button>
  {/if}
</div>
{#if reading?.isMute}<p role="alert" class="text-ink-soft px-3 py-1 text-sm">{say.noVoice}</p>{/if}
{#if bench.asking.question}
  {@const { what, step, broken } = bench.asking.question}
  <Dialog title={say.breaks[what](step)} size="sm" onclose={() => bench.asking.answer(false)}>
    <p>{say.breaksWhat[what](broken)}</p>
    <div class="flex justify-end gap-2">
      <Button color="alternative" autofocus onclick={() => bench.asking.answer(false)}>{say.breaksNo}</Button>
      <Button onclick={() => bench.asking.answer(true)}>{say.breaksYes[what]}</Button>
    </div>
  </Dialog>
{/if}
