<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import X from '@lucide/svelte/icons/x';
  import { Button, Input } from 'flowbite-svelte';
  import {
    conditionKinds,
    conditionTokens,
    MOST_PROMPTS,
    withConditionField,
    type Guidance,
    type Prompt,
  } from '@kelbrin/core/guide';
  import type { FieldPath } from '@kelbrin/core/recipe';
  import StepSentence from '$lib/bench/recipe/StepSentence.svelte';
  import { guidanceTexts as say } from '$lib/texts/guidance';

  interface Props {
    prompts: Guidance;
    onchange(prompts: Guidance): void;
  }
  let { prompts, onchange }: Props = $props();

  const NO_MEASURES: ReadonlyMap<string, number> = new Map();
  /** What is wrong with a field of a condition, and of which prompt. */
  let problem = $state.raw<{ at: number; path: FieldPath; message: string }>();

  const change = (at: number, to: Partial<Prompt>) => onchange(prompts.with(at, { ...prompts[at], ...to }));

  function changeUntil(at: number, path: FieldPath, value: unknown): void {
    const { until } = prompts[at];
    if (!until) return;
    const changed = withConditionField(until, path, value);
    problem = changed.ok ? undefined : { at, path, message: changed.message };
    if (changed.ok) change(at, { until: changed.changed });
  }

  function add(): void {
    const taken = new Set(prompts.map(({ id }) => id));
    let number = prompts.length + 1;
    while (taken.has(`p${number}`)) number++;
    onchange([...prompts, { id: `p${number}`, words: '' }]);
  }

  function move(at: number, by: -1 | 1): void {
    const moved = [...prompts];
    [moved[at], moved[at + by]] = [moved[at + by], moved[at]];
    onchange(moved);
  }

  function setKind(at: number, kind: string): void {
    change(at, { until: conditionKinds.find((each) => each.kind === kind)?.create() });
  }
</script>

{#snippet tool(name: string, Icon: typeof X, onclick: () => void, disabled = false)}
  <button
    type="button"
    class="hover:bg-ground disabled:text-hairline rounded p-1"
    aria-label={name}
    title={name}
    {disabled}
    {onclick}
  >
    <Icon size={16} />
  </button>
{/snippet}

<ol class="flex flex-col">
  {#each prompts as prompt, at (prompt.id)}
    <li class="border-hairline flex items-start gap-3 border-b py-2" data-prompt={prompt.id}>
      <span class="measured text-ink-soft mt-2 w-5 text-right text-sm">{at + 1}</span>
      <div class="flex min-w-0 flex-1 flex-col gap-1">
        <Input
          aria-label={say.words(at + 1)}
          maxlength={240}
          placeholder={say.example}
          bind:value={() => prompt.words, (words) => change(at, { words: words ?? '' })}
        />
        <div class="flex flex-wrap items-baseline gap-1.5 text-sm">
          <span class="text-ink-soft">{say.until}</span>
          <select
            class="word"
            aria-label={say.untilKind(at + 1)}
            value={prompt.until?.kind ?? ''}
            onchange={(event) => setKind(at, event.currentTarget.value)}
          >
            <option value="">{say.byHand}</option>
            {#each conditionKinds as { kind, label } (kind)}<option value={kind}>{label}:</option>{/each}
          </select>
          {#if prompt.until}
            <StepSentence
              tokens={conditionTokens(prompt.until)}
              measures={NO_MEASURES}
              problem={problem?.at === at ? problem : undefined}
              onchange={(path, value) => changeUntil(at, path, value)}
              onproblem={(path, message) =>
                (problem = message === undefined ? undefined : { at, path, message })}
              onopen={() => {}}
            />
          {/if}
        </div>
      </div>
      <span class="mt-1 flex">
        {@render tool(say.up(at + 1), ArrowUp, () => move(at, -1), at === 0)}
        {@render tool(say.down(at + 1), ArrowDown, () => move(at, 1), at === prompts.length - 1)}
        {@render tool(say.remove(at + 1), X, () => onchange(prompts.toSpliced(at, 1)))}
      </span>
    </li>
  {:else}
    <li class="text-ink-soft py-1">{say.none}</li>
  {/each}
</ol>
{#if problem}<p role="alert" class="text-fail mt-1 text-sm">{problem.message}</p>{/if}
<Button
  type="button"
  size="xs"
  color="alternative"
  class="mt-3"
  disabled={prompts.length >= MOST_PROMPTS}
  onclick={add}>{say.add}</Button
>
