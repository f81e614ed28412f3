<script lang="ts">
  import type { Snippet } from 'svelte';
  import { sentenceTexts as say } from '$lib/texts/sentence';
  import PenLine from '@lucide/svelte/icons/pen-line';
  import X from '@lucide/svelte/icons/x';
  import {
    isFormula,
    saidAmount,
    turnedAmount,
    workOut,
    type Amount,
    type FieldPath,
    type NamedStep,
    type OfferedEdge,
    type Token,
    type OpenedToken,
  } from '@kelbrin/core/recipe';
  import type { PlanCorner } from '@kelbrin/core/solid';
  import DimensionField from '$lib/ui/DimensionField.svelte';
  import CornersField from './CornersField.svelte';
  import EdgesField from './EdgesField.svelte';
  import { keyedTokens, markAt, textAt } from './sentenceParts';
  import StepsField from './StepsField.svelte';

  interface Props {
    tokens: readonly Token[];
    measures: ReadonlyMap<string, number>;
    /** The corners of the outline that it speaks of, in the order of their numbers. */
    corners?: readonly PlanCorner[];
    /** The edges that it lets people choose, and the steps by whose names they are told. */
    edges?: {
      readonly offered: readonly OfferedEdge[];
      readonly steps: readonly NamedStep[];
      ontap(at: number): void;
    };
    /** Stands before the sentence, as what a step is called does. */
    lead?: Snippet;
    /** What is wrong with one of the fields, if anything. */
    problem?: { path?: FieldPath; message: string };
    onchange(path: FieldPath, value: unknown, gesture?: number): void;
    onproblem(path: FieldPath, message: string | undefined): void;
    /** A field that is not changed in the sentence: an outline to draw, a face to pick, a file to read. */
    onopen(token: OpenedToken): void;
  }
  let { tokens, measures, corners = [], edges, lead, problem, onchange, onproblem, onopen }: Props = $props();

  const drawingWords = { svg: say.file, points: say.draw, combined: say.arrange };
  const problemAt = (path: FieldPath) =>
    problem?.path && problem.path.length > 0 && path.join(' ').startsWith(problem.path.join(' '))
      ? problem.message
      : undefined;
  /** Marks stand right behind the word before them. */
  const gapBefore = (token: Token, i: number) =>
    i === 0 || (token.type === 'text' && /^[.,;]/.test(token.text)) ? '' : ' ';
  const keyed = $derived(keyedTokens(tokens));
  function evaluateAmount(value: Amount): number | undefined {
    if (!isFormula(value)) return value;
    const worked = workOut(value.formula, measures);
    return worked.ok ? worked.value : undefined;
  }
</script>

<!-- prettier-ignore -->
{#snippet piece(token: Token)}{#if token.type === 'text'}{token.text}{:else if token.type === 'number'}{#if token.sign}<span
          class="measured">{token.sign}&thinsp;</span
        >{/if}<DimensionField
        value={saidAmount(token)}
        worth={evaluateAmount(saidAmount(token))}
        label={token.label}
        unit={token.unit}
        min={token.min}
        max={token.max}
        nudge={token.nudge}
        {measures}
        problem={problemAt(token.path)}
        onchange={(value, gesture) => onchange(token.path, token.isTurned ? turnedAmount(value) : value, gesture)}
        onproblem={(message) => onproblem(token.path, message)}
      />{:else if token.type === 'choice'}{#if token.options.length === 1}<strong
          >{token.options[0].label}</strong
        >{:else}{#if token.shows === 'colour'}<span
            class="patch"
            style:background={token.options[token.chosen].hex}
          ></span>{/if}<select
          class="word"
          class:wrong={problemAt(token.path) !== undefined && token.path.length > 0}
          style:font-family={token.shows === 'font' ? `'Kelbrin ${token.options[token.chosen].value as string}'` : undefined}
          aria-label={token.label}
          value={token.chosen}
          onchange={(event) => onchange(token.path, token.options[event.currentTarget.selectedIndex].value)}
          >{#each token.options as option, at (at)}<option
              value={at}
              style:font-family={token.shows === 'font' ? `'Kelbrin ${option.value as string}'` : undefined}
              >{option.label}</option
            >{/each}</select
        >{/if}{:else if token.type === 'words'}“<textarea
        dir="auto"
        class="word lines"
        class:wrong={problemAt(token.path) !== undefined}
        rows={token.value.split('\n').length}
        cols={Math.max(3, ...token.value.split('\n').map((line) => line.length))}
        aria-label={token.label}
        maxlength={token.maxLength}
        value={token.value}
        oninput={(event) => onchange(token.path, event.currentTarget.value)}></textarea>”{:else if token.type === 'steps'}<StepsField
        label={token.label}
        chosen={token.chosen}
        offered={token.offered}
        problem={problemAt(token.path)}
        onchange={(chosen) => onchange(token.path, chosen.map((step) => ({ step })))}
      />{:else if token.type === 'corners'}<CornersField
        label={token.label}
        chosen={token.chosen}
        {corners}
        onchange={(numbers) => onchange(token.path, { numbers, of: corners.length })}
        onopen={() => onopen(token)}
      />{:else if token.type === 'edges'}<EdgesField
        label={token.label}
        chosen={token.chosen}
        edges={edges?.offered ?? []}
        steps={edges?.steps ?? []}
        ontap={(at) => edges?.ontap(at)}
        onopen={() => onopen(token)}
      />{:else if token.type === 'menu'}<select
          class="word measured"
          aria-label={token.label}
          value=""
          onchange={(event) => {
            const { path, value } = token.offers[Number(event.currentTarget.value)];
            event.currentTarget.value = '';
            onchange(path, value);
          }}
          ><option value="" disabled>{token.word} ⋯</option>{#each token.offers as offer, at (offer.label)}<option
              value={at}>{offer.label}</option
            >{/each}</select
        >{:else if token.type === 'drop'}<button
        type="button"
        class="drop"
        aria-label={token.label}
        title={token.label}
        onclick={() => onchange(token.path, undefined)}><X size={12} /></button
      >{:else if token.type === 'drawing'}<button
        type="button"
        class="word"
        class:wrong={problemAt(token.path) !== undefined}
        aria-label={token.label}
        title={token.label}
        onclick={() => onopen(token)}><PenLine size={14} class="inline" /> {drawingWords[token.kind]}</button
      >{:else}<button type="button" class="word" aria-label={token.label} onclick={() => onopen(token)}
        >{token.words}</button
      >{/if}{/snippet}

<!-- What leaves a clause out, and a mark, stay on the line of the word that they follow. -->
<!-- prettier-ignore -->
<p class="sentence">{@render lead?.()}{#each keyed as { token, key }, i (key)}{#if token.type !== 'drop'}{gapBefore(token, i)}{@const drop = tokens[i + 1]?.type === 'drop' ? tokens[i + 1] : undefined}{@const mark = markAt(tokens, i + (drop ? 2 : 1))}{#if token.type === 'text'}{textAt(tokens, i)}{:else}<span
        class={{ 'whitespace-nowrap': drop !== undefined || mark !== '' }}>{@render piece(token)}{#if drop}{@render piece(drop)}{/if}{mark}</span
      >{/if}{/if}{/each}
</p>

<style>
  .sentence {
    font-size: 0.9375rem;
    line-height: 1.5rem;
  }
  .sentence :global(.field) {
    min-width: 1ch;
    padding: 0 0.1ch;
  }
  @media (pointer: coarse) {
    .sentence {
      line-height: 2.25rem;
    }
    /* Where somebody works at it, each word that can be changed is as large as a fingertip. */
    :global([data-whole]) .sentence {
      line-height: 3.1rem;
    }
    :global([data-whole]) .sentence :global(:is(.field, .word)) {
      min-width: 2.75rem;
      min-height: 2.75rem;
      padding-inline: 0.4ch;
      border: 1.5px dotted var(--color-primary-700);
      border-radius: 4px;
      background-color: #fff;
    }
  }
  .lines {
    display: inline-block;
    resize: none;
    overflow: hidden;
    vertical-align: -0.42em;
    white-space: pre;
  }
  .patch {
    display: inline-block;
    width: 0.85em;
    height: 0.85em;
    margin-right: 0.25em;
    border: 1px solid var(--color-ink-soft);
    border-radius: 50%;
    vertical-align: -0.08em;
  }
  .drop {
    display: inline-flex;
    margin-left: 0.1rem;
    padding: 0.15rem;
    border-radius: 50%;
    vertical-align: super;
    color: var(--color-ink-soft);
  }
  .drop:hover,
  .drop:focus-visible {
    background: var(--color-fail-wash);
    color: var(--color-fail);
  }
</style>
