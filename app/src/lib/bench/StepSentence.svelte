<script lang="ts">
  import type { FieldPath, Token } from '@kelbrin/core/recipe';
  import DimensionField from '$lib/ui/DimensionField.svelte';

  interface Props {
    tokens: readonly Token[];
    /** What is wrong with one of the fields, if anything. */
    problem?: { path?: FieldPath; message: string };
    onchange(path: FieldPath, value: unknown, gesture?: number): void;
    onproblem(path: FieldPath, message: string | undefined): void;
  }
  let { tokens, problem, onchange, onproblem }: Props = $props();

  const problemAt = (path: FieldPath) =>
    problem?.path && problem.path.length > 0 && path.join(' ').startsWith(problem.path.join(' '))
      ? problem.message
      : undefined;
  /** Marks stand right behind the word before them. */
  const gapBefore = (token: Token, i: number) =>
    i === 0 || (token.type === 'text' && /^[.,;]/.test(token.text)) ? '' : ' ';
</script>

<p class="leading-8">
  {#each tokens as token, i (i)}{gapBefore(
      token,
      i,
    )}{#if token.type === 'text'}{token.text}{:else if token.type === 'number'}{#if token.sign}<span
          class="measured">{token.sign}&thinsp;</span
        >{/if}<DimensionField
        value={token.value}
        label={token.label}
        unit={token.unit}
        min={token.min}
        max={token.max}
        stepMm={token.stepMm}
        problem={problemAt(token.path)}
        onchange={(value, gesture) => onchange(token.path, value, gesture)}
        onproblem={(message) => onproblem(token.path, message)}
      />{:else if token.type === 'choice'}{#if token.options.length === 1}<strong
          >{token.options[0].label}</strong
        >{:else}<select
          class="word"
          class:wrong={problemAt(token.path) !== undefined}
          aria-label={token.label}
          value={token.chosen}
          onchange={(event) => onchange(token.path, token.options[event.currentTarget.selectedIndex].value)}
          >{#each token.options as option, at (at)}<option value={at}>{option.label}</option>{/each}</select
        >{/if}{:else}“<input
        class="word"
        class:wrong={problemAt(token.path) !== undefined}
        size={Math.max(3, token.value.length)}
        type="text"
        aria-label={token.label}
        maxlength={token.maxLength}
        value={token.value}
        oninput={(event) => onchange(token.path, event.currentTarget.value)}
      />”{/if}{/each}
</p>

<style>
  .word {
    width: auto;
    max-width: 100%;
    padding: 0 0.1rem;
    border: 0;
    border-bottom: 1.5px dotted var(--color-primary-700);
    border-radius: 0;
    background: none;
    color: var(--color-primary-800);
    font: inherit;
    font-weight: 600;
    line-height: 1.5;
    appearance: none;
    field-sizing: content;
  }
  select.word {
    cursor: pointer;
  }
  .word:focus {
    background-color: var(--color-primary-50);
    box-shadow: none;
  }
  .word.wrong {
    border-bottom: 2px solid var(--color-fail);
  }
</style>
