<script lang="ts">
  import { batchTexts as say } from '$lib/texts/batch';
  import { clockTime } from '$lib/ui/times';

  /** When a batch was tried in vain, and why. */
  interface Props {
    tries: readonly { readonly id: string; readonly startedAt: Date; readonly problem: string | null }[];
  }
  let { tries }: Props = $props();

  const failed = $derived(tries.filter(({ problem }) => problem !== null));
</script>

{#if failed.length > 0}
  <section class="sheet p-4" aria-label={say.tries}>
    <h2 class="mb-1">{say.tries}</h2>
    <ul class="text-sm">
      {#each failed as { id, startedAt, problem } (id)}
        <li><span class="measured text-ink-soft">{clockTime(startedAt)}</span> {problem}</li>
      {/each}
    </ul>
  </section>
{/if}
