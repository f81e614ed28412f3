<script lang="ts">
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
  const next = $derived(standing.next === undefined ? undefined : prompts[standing.next]);
</script>

<!-- As tall with nothing left to do as with a usual prompt: the sentences below must not move away under the hand
     that changes a number, when what it changes ticks a prompt off or on. -->
<section
  class="border-hairline bg-primary-50 min-h-[7.375rem] border-b px-4 py-3"
  aria-label={say.heading}
  data-prompts-done={standing.done.filter(Boolean).length}
>
  <div class="flex items-baseline justify-between gap-3">
    <h2 class="text-primary-800 text-sm">
      {next ? say.next(standing.next! + 1, prompts.length) : say.heading}
    </h2>
    <button
      type="button"
      class="text-primary-800 text-sm underline underline-offset-2"
      aria-expanded={isWhole}
      onclick={() => (isWhole = !isWhole)}>{isWhole ? say.hideAll : say.showAll}</button
    >
  </div>
  {#if isWhole}
    <div class="mt-2"><PromptList {prompts} {standing} {ontick} /></div>
  {:else if next}
    <p class="mt-1 leading-snug font-semibold" aria-live="polite">{next.words}</p>
    {#if next.until}
      <p class="text-ink-soft mt-1 text-sm">{say.byItself(conditionWords(next.until))}</p>
    {:else}
      <Button size="xs" class="mt-2" onclick={() => ontick(next.id, true)}>{say.done}</Button>
    {/if}
  {:else}
    <p class="mt-1 leading-snug" aria-live="polite">{isHandedIn ? say.allHandedIn : say.allDone}</p>
  {/if}
</section>
