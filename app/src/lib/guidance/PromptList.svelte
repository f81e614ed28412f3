<script lang="ts">
  import Check from '@lucide/svelte/icons/check';
  import Circle from '@lucide/svelte/icons/circle';
  import type { Guidance, Standing } from '@kelbrin/core/guide';
  import { guidanceTexts as say } from '$lib/texts/guidance';

  interface Props {
    prompts: Guidance;
    standing: Standing;
    /** Ticks a prompt off by hand, or takes that back; without it the list can only be read. */
    ontick?(promptId: string, isDone: boolean): void;
  }
  let { prompts, standing, ontick }: Props = $props();
</script>

<ol class="flex flex-col gap-1.5" aria-label={say.heading}>
  {#each prompts as prompt, at (prompt.id)}
    {@const isDone = standing.done[at]}
    <li class="flex items-start gap-2 leading-snug" aria-current={at === standing.next ? 'step' : undefined}>
      {#if prompt.until || !ontick}
        <span class="mt-0.5 shrink-0 {isDone ? 'text-pass' : 'text-ink-soft'}">
          {#if isDone}<Check size={16} aria-label={say.isDone} />{:else}<Circle
              size={16}
              aria-label={say.isOpen}
            />{/if}
        </span>
      {:else}
        <input
          type="checkbox"
          class="text-primary-700 mt-0.5 h-4 w-4 shrink-0 rounded-sm"
          checked={isDone}
          aria-label={say.tick(prompt.words)}
          onchange={(event) => ontick(prompt.id, event.currentTarget.checked)}
        />
      {/if}
      <span class={isDone ? 'text-ink-soft' : at === standing.next ? 'font-semibold' : ''}
        >{prompt.words}</span
      >
    </li>
  {/each}
</ol>
