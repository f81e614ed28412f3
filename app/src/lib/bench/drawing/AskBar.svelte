<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import DimensionField from '$lib/ui/DimensionField.svelte';
  import { asksFor } from './asks';
  import type { DrawingState } from './drawing.svelte';
  import { drawingTexts as say } from '$lib/texts/drawing';

  /** What can be asked of the marked points and edges. */
  interface Props {
    drawing: DrawingState;
    measures: ReadonlyMap<string, number>;
    /** What to do while nothing is marked. */
    hint: string;
    onasked(): void;
  }
  let { drawing, measures, hint, onasked }: Props = $props();

  const asks = $derived(asksFor(drawing.marks, drawing));
  const marked = $derived([
    ...drawing.marks.points.map((point) => String(point + 1)),
    ...drawing.marks.edges.map((edge) => `${edge + 1}–${((edge + 1) % drawing.at.length) + 1}`),
  ]);
  const round = (value: number) => Math.round(value * 100) / 100;
</script>

<div
  class="border-hairline flex min-h-11 items-center gap-x-3 gap-y-1 border-b px-3 py-1 text-sm max-sm:overflow-x-auto sm:flex-wrap"
  role="group"
  aria-label={say.marked}
>
  {#if marked.length === 0}
    <span class="text-ink-soft">{hint}</span>
  {:else}
    <span class="measured font-semibold">{marked.join(', ')}</span>
    {#each asks as ask (ask.label)}
      {#if ask.how === 'tap'}
        <button
          type="button"
          class="border-hairline hover:bg-primary-50 min-h-8 rounded border px-2 whitespace-nowrap pointer-coarse:min-h-11"
          onclick={() => {
            drawing.ask(ask.asked);
            if (!drawing.refused) drawing.clearMarks();
            onasked();
          }}>{ask.label}</button
        >
      {:else}
        <label class="flex items-center gap-1 whitespace-nowrap">
          {ask.label}
          <DimensionField
            value={round(ask.now)}
            worth={ask.now}
            label={ask.label}
            unit={ask.unit}
            min={ask.min}
            max={ask.max}
            nudge={1}
            {measures}
            onchange={(value, gesture) => {
              drawing.ask([ask.asked(value)], gesture);
              onasked();
            }}
            onproblem={(message) => (drawing.refused = message)}
          />
        </label>
      {/if}
    {/each}
    <button
      type="button"
      class="text-ink-soft hover:text-ink ml-auto p-1"
      aria-label={say.unmark}
      title={say.unmark}
      onclick={() => drawing.clearMarks()}><X size={16} /></button
    >
  {/if}
</div>
{#if drawing.refused}
  <p role="alert" class="text-fail border-hairline border-b px-3 py-1 text-sm">{drawing.refused}</p>
{/if}
