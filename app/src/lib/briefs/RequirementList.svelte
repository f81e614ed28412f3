<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import {
    requirementKinds,
    requirementTokens,
    requirementWords,
    withRequirementField,
    type Requirement,
  } from '@kelbrin/core/inspect';
  import type { FieldPath } from '@kelbrin/core/recipe';
  import StepSentence from '$lib/bench/recipe/StepSentence.svelte';
  import { briefPage as say } from '$lib/texts/briefPage';

  interface Props {
    requirements: readonly Requirement[];
    onchange(requirements: readonly Requirement[]): void;
  }
  let { requirements, onchange }: Props = $props();

  const NO_MEASURES: ReadonlyMap<string, number> = new Map();
  /** What is wrong with a field, and of which requirement. */
  let problem = $state.raw<{ at: number; path: FieldPath; message: string }>();

  function change(at: number, path: FieldPath, value: unknown): void {
    const changed = withRequirementField(requirements[at], path, value);
    problem = changed.ok ? undefined : { at, path, message: changed.message };
    if (changed.ok) onchange(requirements.with(at, changed.changed));
  }
</script>

<ol class="flex flex-col">
  {#each requirements as requirement, at (at)}
    <li class="border-hairline flex items-start gap-3 border-b py-1" data-requirement={requirement.kind}>
      <div class="min-w-0 flex-1">
        <StepSentence
          tokens={requirementTokens(requirement)}
          measures={NO_MEASURES}
          problem={problem?.at === at ? problem : undefined}
          onchange={(path, value) => change(at, path, value)}
          onproblem={(path, message) => (problem = message === undefined ? undefined : { at, path, message })}
          onopen={() => {}}
        />
      </div>
      <button
        type="button"
        class="hover:bg-fail-wash hover:text-fail mt-1.5 rounded p-1"
        aria-label={say.leaveOut(requirementWords(requirement))}
        title={say.leaveOut(requirementWords(requirement))}
        onclick={() => onchange(requirements.toSpliced(at, 1))}
      >
        <X size={16} />
      </button>
    </li>
  {:else}
    <li class="text-ink-soft py-1">{say.noRequirements}</li>
  {/each}
</ol>
{#if problem}<p role="alert" class="text-fail mt-1 text-sm">{problem.message}</p>{/if}
<div class="mt-3 flex flex-wrap items-center gap-2" role="group" aria-label={say.add}>
  <span class="text-ink-soft">{say.add}</span>
  {#each requirementKinds as kind (kind.kind)}
    <button
      type="button"
      class="hover:bg-primary-50 text-primary-800 rounded px-1.5 py-0.5 text-sm underline underline-offset-2"
      onclick={() => onchange([...requirements, kind.create()])}
    >
      {kind.label}
    </button>
  {/each}
</div>
