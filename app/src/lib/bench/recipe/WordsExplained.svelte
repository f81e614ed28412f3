<script lang="ts">
  import CircleHelp from '@lucide/svelte/icons/circle-question-mark';
  import { tradeWordsIn } from '@kelbrin/core/explained';
  import { svgOf } from '@kelbrin/core/inspect';
  import { benchTexts as say } from '$lib/texts/bench';

  /** The words of the trade in a sentence, each with a drawing: shown to a pointer over it, to the focus, and to a touch. */
  interface Props {
    sentence: string;
    /** The number of the step. */
    number: number;
  }
  let { sentence, number }: Props = $props();

  const id = $props.id();
  const words = $derived(tradeWordsIn(sentence));
  let isOver = $state(false);
  let isPressed = $state(false);
  const isOpen = $derived(isOver || isPressed);
</script>

{#if words.length > 0}
  <span class="inline-flex">
    <button
      type="button"
      class="tool"
      aria-label={say.explain(number)}
      aria-expanded={isOpen}
      aria-controls={id}
      onclick={() => (isPressed = !isPressed)}
      onpointerenter={({ pointerType }) => (isOver = pointerType === 'mouse')}
      onpointerleave={() => (isOver = false)}
      onfocus={({ currentTarget }) => (isOver = currentTarget.matches(':focus-visible'))}
      onblur={() => (isOver = isPressed = false)}
      onkeydown={(event) => {
        if (event.key !== 'Escape' || !isOpen) return;
        event.stopPropagation();
        isOver = isPressed = false;
      }}
    >
      <CircleHelp size={14} />
    </button>
    <span
      {id}
      role="status"
      class="border-hairline absolute top-full right-0 left-0 z-20 rounded border bg-white p-2 shadow {isOpen
        ? 'block'
        : 'hidden'}"
    >
      {#if isOpen}
        {#each words as { word, explained, drawing } (word)}
          <span class="flex items-start gap-2 py-1 text-sm leading-snug">
            <!-- The drawing is the word's own, and nothing of it comes from outside. -->
            <!-- eslint-disable-next-line svelte/no-at-html-tags -->
            <span class="drawing w-20 shrink-0" aria-hidden="true">{@html svgOf(drawing)}</span>
            <span><strong>{word}</strong>: {explained}</span>
          </span>
        {/each}
      {/if}
    </span>
  </span>
{/if}

<style>
  .drawing :global(svg) {
    width: 100%;
    height: auto;
  }
</style>
