<script lang="ts">
  import {
    additionsOf,
    plainSentence,
    sentenceOf,
    shortSentenceOf,
    type FieldPath,
    type Step,
    type OpenedToken,
  } from '@kelbrin/core/recipe';
  import { isBeingDrawn, waitsToBeDrawn } from '../state/beingDrawn';
  import type { BenchState } from '../state/bench.svelte';
  import { unbroken } from '$lib/ui/unbroken';
  import StepSentence from './StepSentence.svelte';
  import StepTools from './StepTools.svelte';
  import WordsExplained from './WordsExplained.svelte';
  import { benchTexts as say } from '$lib/texts/bench';
  import { companyTexts } from '$lib/texts/company';

  interface Props {
    bench: BenchState;
    step: Step;
    index: number;
    /** The names of those who work at it beside. */
    mates: readonly string[];
    /** Whether all that it says is shown, and not only what is not as always. */
    isWhole: boolean;
    /** Whether a check fails because of it. */
    isTroubled: boolean;
    onopen(stepId: string, token: OpenedToken): void;
  }
  let { bench, step, index, mates, isWhole, isTroubled, onopen }: Props = $props();

  /** What was typed into a field and refused, until it is mended. */
  let refused = $state<{ path: FieldPath; message: string }>();
  let naming = $state(false);
  let folded = $state(false);

  const isDrawn = $derived(isBeingDrawn(step, bench.drawing));
  const problem = $derived(
    refused ?? (bench.problem?.stepId === step.id && !isDrawn ? bench.problem : undefined),
  );
  const outcome = $derived(bench.solid?.steps.find(({ stepId }) => stepId === step.id));
  const notes = $derived(bench.problem ? [] : (outcome?.notes ?? []));
  const told = $derived(bench.problem ? [] : (outcome?.told ?? []));
  const fileNotes = $derived(bench.fileNotes?.stepId === step.id ? bench.fileNotes.notes : []);
  const isMarked = $derived(bench.marked === step.id);
  const tokens = $derived(
    (isWhole || problem ? sentenceOf : shortSentenceOf)(step, {
      recipe: bench.recipe,
      index,
      printer: bench.limits,
    }),
  );
  /** Whether its name can be changed where it stands. */
  const isNamed = $derived(isWhole || problem !== undefined || folded);
  const additions = $derived(additionsOf(step));

  function change(path: FieldPath, value: unknown, gesture?: number): void {
    bench.setField(step.id, path, value, gesture);
    if (waitsToBeDrawn(value)) bench.drawing = { stepId: step.id, path };
  }

  function rename(event: Event & { currentTarget: HTMLInputElement }): void {
    const name = event.currentTarget.value.trim();
    bench.setField(step.id, ['name'], name === '' ? undefined : name);
    naming = false;
  }
</script>

<!-- A sentence is marked by working in it, with pointer or keyboard alike. -->
<li
  class="group relative rounded border pr-1 pl-8 {isMarked
    ? 'border-primary-700 bg-primary-50'
    : 'border-transparent'} py-0.5"
  class:opacity-55={step.off}
  data-step={step.id}
  aria-current={isMarked ? 'step' : undefined}
  data-whole={isWhole ? '' : undefined}
  onfocusin={() => (bench.marked = step.id)}
  onpointerdown={() => (bench.marked = step.id)}
>
  <button
    type="button"
    class="measured absolute top-1 left-0 min-w-7 rounded px-1 text-sm pointer-coarse:min-h-11 {isTroubled ||
    problem
      ? 'text-fail font-bold'
      : 'text-ink-soft'}"
    aria-expanded={!folded}
    aria-label={folded ? say.unfoldStep(index + 1) : say.foldStep(index + 1)}
    onclick={() => (folded = !folded)}>{index + 1}</button
  >
  {#snippet called()}
    {#if naming || (isNamed && step.name !== undefined)}
      <!-- svelte-ignore a11y_autofocus -->
      <input
        class="word name"
        type="text"
        aria-label={say.nameOfStep(index + 1)}
        maxlength="40"
        autofocus={naming}
        value={step.name ?? ''}
        onchange={rename}
        onblur={() => (naming = false)}
      /><span class="mr-1">:</span>
    {:else if step.name !== undefined}<strong class="mr-1">{step.name}:</strong>{/if}
  {/snippet}
  {#if folded}
    <p class="text-ink-soft text-[0.9375rem] leading-6">{@render called()}…</p>
  {:else}
    <div class={{ 'decoration-ink line-through': step.off }}>
      <StepSentence
        {tokens}
        lead={called}
        {problem}
        measures={bench.measures}
        corners={outcome?.corners}
        edges={outcome?.edges && {
          offered: outcome.edges,
          steps: bench.recipe.steps,
          ontap: (at) => bench.tapEdge(step.id, at),
        }}
        onchange={change}
        onproblem={(path, message) => (refused = message === undefined ? undefined : { path, message })}
        onopen={(token) => onopen(step.id, token)}
      />
    </div>
  {/if}
  {#if mates.length > 0}
    <p class="bg-primary-100 text-primary-900 inline-block rounded-full px-2 text-sm">
      {companyTexts.worksHere(mates.join(', '))}
    </p>
  {/if}
  {#if step.off}<p class="text-ink-soft text-sm">{say.isOff}</p>{/if}
  {#if isDrawn}<p class="text-ink-soft text-sm">{say.isDrawn}</p>{/if}
  {#if problem}<p role="alert" class="text-fail text-sm">{unbroken(problem.message)}</p>{/if}
  {#each told as line (line)}<p class="text-ink-soft text-sm">{line}</p>{/each}
  {#each [...fileNotes, ...notes] as note (note)}<p class="text-warn-ink text-sm">{note}</p>{/each}
  {#if isMarked}
    <div class="mt-1 flex flex-wrap items-center gap-0.5">
      {#if additions.length > 0 && !folded}
        <select
          class="text-primary-800 mr-auto max-w-40 border-0 bg-transparent p-0 pr-6 text-sm pointer-coarse:min-h-11"
          aria-label={say.moreFor(index + 1)}
          value=""
          onchange={(event) => {
            const { path, value } = additions[Number(event.currentTarget.value)];
            event.currentTarget.value = '';
            bench.setField(step.id, path, value);
          }}
        >
          <option value="" disabled>+ {say.more} …</option>
          {#each additions as { label }, i (label)}<option value={i}>{label}</option>{/each}
        </select>
      {/if}
      <div class="ml-auto flex flex-wrap gap-0.5">
        <WordsExplained sentence={plainSentence(tokens)} number={index + 1} />
        <StepTools
          {bench}
          stepId={step.id}
          {index}
          isOff={step.off === true}
          isNamed={step.name !== undefined || naming}
          onname={() => (naming = true)}
        />
      </div>
    </div>
  {/if}
</li>

<style>
  .name {
    font-size: inherit;
    field-sizing: content;
  }
</style>
