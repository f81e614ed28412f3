<script lang="ts" module>
  /** Prompts begin as the next one alone, so that the recipe has the room; unfolded once, they stay so on this computer. */
  const KEPT = 'kelbrin-prompts-folded';
  const isFoldedAtFirst = () => localStorage.getItem(KEPT) !== 'no';
</script>

<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import { Button } from 'flowbite-svelte';
  import { conditionWords, type Guidance, type Standing } from '@kelbrin/core/guide';
  import PromptList from './PromptList.svelte';
  import { guidanceTexts as say } from '$lib/texts/guidance';

  interface Props {
    prompts: Guidance;
    standing: Standing;
    /** Whether the part is handed in as it is. */
    isHandedIn?: boolean;
    /** Ticks a prompt off by hand, or takes that back. */
    ontick(promptId: string, isDone: boolean): void;
  }
  let { prompts, standing, isHandedIn = false, ontick }: Props = $props();

  let isWhole = $state(false);
  let isFolded = $state(isFoldedAtFirst());

  function fold(): void {
    isFolded = !isFolded;
    localStorage.setItem(KEPT, isFolded ? 'yes' : 'no');
  }
  const next = $derived(standing.next === undefined ? undefined : prompts[standing.next]);
</script>

<!-- As tall with nothing left to do as with a usual prompt: the sentences below must not move away under the hand
     that changes a number, when what it changes ticks a prompt off or on. -->
<section
  class="border-hairline bg-primary-50 border-b px-4 {isFolded
    ? 'min-h-[3.4rem] py-1.5'
    : 'min-h-[5.9rem] py-2'}"
  aria-label={say.heading}
  data-prompts-done={standing.done.filter(Boolean).length}
>
  <div class="flex items-baseline justify-between gap-3">
    <div class="min-w-0 text-sm">
      <h2 class="text-primary-800 inline text-sm">
        <button
          type="button"
          class="inline-flex items-center gap-1 pointer-coarse:min-h-11"
          aria-expanded={!isFolded}
          onclick={fold}
        >
          {#if isFolded}<ChevronRight size={16} />{:else}<ChevronDown size={16} />{/if}
          {next ? say.next(standing.next! + 1, prompts.length) : say.heading}
        </button>
      </h2>
      {#if isFolded}
        <span aria-live="polite">{next ? next.words : isHandedIn ? say.allHandedIn : say.allDone}</span>
      {/if}
    </div>
    {#if isFolded && next && !next.until}
      <Button size="xs" class="shrink-0 py-0.5" onclick={() => ontick(next.id, true)}>{say.done}</Button>
    {:else if !isFolded}
      <button
        type="button"
        class="text-primary-800 text-sm underline underline-offset-2"
        aria-expanded={isWhole}
        onclick={() => (isWhole = !isWhole)}>{isWhole ? say.hideAll : say.showAll}</button
      >
    {/if}
  </div>
  {#if !isFolded && isWhole}
    <div class="mt-2"><PromptList {prompts} {standing} {ontick} /></div>
  {:else if !isFolded && next}
    <p class="leading-snug font-semibold" aria-live="polite">{next.words}</p>
    {#if next.until}
      <p class="text-ink-soft text-sm">{say.byItself(conditionWords(next.until))}</p>
    {:else}
      <Button size="xs" class="mt-2" onclick={() => ontick(next.id, true)}>{say.done}</Button>
    {/if}
  {:else if !isFolded}
    <p class="mt-1 leading-snug" aria-live="polite">{isHandedIn ? say.allHandedIn : say.allDone}</p>
  {/if}
</section>
