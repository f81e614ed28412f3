<script lang="ts">
  import { ArrowDown, ArrowUp, Plus, Trash2 } from '@lucide/svelte';
  import { sentenceOf, stepKinds, type FieldPath } from '@kelbrin/core/recipe';
  import type { BenchState } from './bench.svelte';
  import StepSentence from './StepSentence.svelte';

  let { bench }: { bench: BenchState } = $props();

  /** What was typed into a field and refused, until it is mended. */
  let refused = $state<{ stepId: string; path: FieldPath; message: string }>();
  const problemOf = $derived((stepId: string) =>
    refused?.stepId === stepId ? refused : bench.problem?.stepId === stepId ? bench.problem : undefined,
  );
  const noteOf = $derived((stepId: string) => {
    const outcome = bench.solid?.steps.find((each) => each.stepId === stepId);
    if (!outcome || outcome.changed || bench.problem) return undefined;
    return outcome.effect === 'cut'
      ? 'This cuts nothing: it lies beside the part.'
      : 'This adds nothing to the part.';
  });
  const troubled = $derived(
    new Map(
      bench.solid?.inspection.checks.flatMap(({ findings }) =>
        findings
          .filter(({ verdict }) => verdict === 'fail')
          .flatMap(({ steps }) => steps.map((id) => [id, true] as const)),
      ),
    ),
  );
</script>

<ol class="flex flex-col gap-1 p-3" aria-label="Recipe">
  {#each bench.recipe.steps as step, index (step.id)}
    {@const problem = problemOf(step.id)}
    {@const note = noteOf(step.id)}
    {@const isMarked = bench.marked === step.id}
    <!-- A sentence is marked by working in it, with pointer or keyboard alike. -->
    <li
      class="group relative rounded border px-3 py-2 pl-9 {isMarked
        ? 'border-primary-700 bg-primary-50'
        : 'border-transparent'}"
      data-step={step.id}
      aria-current={isMarked ? 'step' : undefined}
      onfocusin={() => (bench.marked = step.id)}
      onpointerdown={() => (bench.marked = step.id)}
    >
      <span
        class="measured absolute top-3 left-2.5 text-sm {troubled.has(step.id) || problem
          ? 'text-fail font-bold'
          : 'text-ink-soft'}">{index + 1}</span
      >
      <StepSentence
        tokens={sentenceOf(step, { recipe: bench.recipe, index })}
        {problem}
        onchange={(path, value, gesture) => bench.setField(step.id, path, value, gesture)}
        onproblem={(path, message) =>
          (refused = message === undefined ? undefined : { stepId: step.id, path, message })}
      />
      {#if problem}<p role="alert" class="text-fail text-sm">{problem.message}</p>{/if}
      {#if note}<p class="text-warn-ink text-sm">{note}</p>{/if}
      <div
        class="absolute -top-3 right-2 flex gap-0.5 opacity-0 group-focus-within:opacity-100 group-hover:opacity-100"
        class:opacity-100={isMarked}
      >
        <button
          type="button"
          class="tool"
          aria-label="Move step {index + 1} up"
          disabled={index === 0}
          onclick={() => bench.moveStep(step.id, -1)}
        >
          <ArrowUp size={14} />
        </button>
        <button
          type="button"
          class="tool"
          aria-label="Move step {index + 1} down"
          disabled={index === bench.recipe.steps.length - 1}
          onclick={() => bench.moveStep(step.id, 1)}
        >
          <ArrowDown size={14} />
        </button>
        <button
          type="button"
          class="tool"
          aria-label="Delete step {index + 1}"
          onclick={() => bench.removeStep(step.id)}
        >
          <Trash2 size={14} />
        </button>
      </div>
    </li>
  {:else}
    <li class="text-ink-soft px-3 py-6">The recipe is empty. Begin with a shape.</li>
  {/each}
</ol>

<div class="border-hairline mt-auto border-t p-3" role="group" aria-label="Add a step">
  {#each stepKinds as { kind, label } (kind)}
    <button
      type="button"
      class="hover:bg-primary-50 flex w-full items-center gap-2 rounded px-2 py-1.5 text-left"
      onclick={() => bench.addStep(kind)}
    >
      <Plus size={16} class="text-primary-700" aria-hidden="true" />{label}
    </button>
  {/each}
</div>

<style>
  .tool {
    display: inline-flex;
    padding: 0.3rem;
    border: 1px solid var(--color-hairline);
    border-radius: 4px;
    background: #fff;
  }
  .tool:hover:not(:disabled) {
    background: var(--color-primary-50);
  }
  .tool:disabled {
    color: var(--color-hairline);
  }
</style>
