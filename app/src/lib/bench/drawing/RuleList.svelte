<script lang="ts">
  import { evaluateAmount, openWords, plainSentence, ruleTokens, type Amount } from '@kelbrin/core/recipe';
  import DimensionField from '$lib/ui/DimensionField.svelte';
  import type { DrawingState } from './drawing.svelte';
  import { drawingTexts as say } from '$lib/texts/drawing';

  /** The rules of a drawing, each a sentence whose number can be changed, and what they leave open. */
  interface Props {
    drawing: DrawingState;
    measures: ReadonlyMap<string, number>;
  }
  let { drawing, measures }: Props = $props();

  const sentences = $derived(drawing.rules.map((rule) => ruleTokens(rule, drawing.outline.nodes, [])));

  function worthOf(value: Amount): number | undefined {
    const worked = evaluateAmount(value, measures);
    return worked.ok ? worked.value : undefined;
  }
</script>

{#if drawing.freedom}
  <p class="border-hairline text-ink-soft border-b px-3 py-2" aria-live="polite">
    {openWords(drawing.freedom)}
  </p>
{/if}
<!-- The solid lies over its lower end. -->
<div class="min-h-0 flex-1 overflow-y-auto p-2 sm:pb-36" role="tabpanel" aria-label={say.rules}>
  {#if drawing.rules.length === 0}
    <p class="text-ink-soft px-1">{say.noRules}</p>
  {/if}
  <ol class="space-y-1">
    {#each sentences as tokens, index (index)}
      {@const words = plainSentence(tokens)}
      <li
        class="flex items-start gap-1 rounded px-1 py-0.5 {drawing.clashing.includes(index)
          ? 'bg-fail-wash text-fail'
          : ''}"
      >
        <p class="flex min-w-0 flex-1 flex-wrap gap-x-1 leading-6">
          {#each tokens as token, i (i)}{#if token.type === 'text'}<span>{token.text}</span
              >{:else if token.type === 'number'}<DimensionField
                value={token.value}
                worth={worthOf(token.value)}
                label={`${words}: ${token.label}`}
                unit={token.unit}
                min={token.min}
                max={token.max}
                nudge={token.nudge}
                {measures}
                onchange={(value, gesture) => drawing.setRule(index, String(token.path[0]), value, gesture)}
                onproblem={(message) => (drawing.refused = message)}
              />{/if}{/each}
        </p>
        <button
          type="button"
          class="text-ink-soft hover:text-fail px-1 pointer-coarse:min-h-11 pointer-coarse:min-w-11"
          aria-label={say.deleteRule(words)}
          onclick={() => drawing.removeRule(index)}>×</button
        >
      </li>
    {/each}
  </ol>
</div>
