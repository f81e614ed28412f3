<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { BatchPart } from '$lib/server/printing/batches/batchParts';
  import type { correctionsOf } from '$lib/server/printing/runs/outcomes';
  import { hasSupports } from '$lib/shared/heldBy';
  import { isUsable } from '$lib/shared/outcome';
  import { enhance } from '$lib/ui/enhance';
  import { batchTexts as say } from '$lib/texts/batch';
  import Noted from './Noted.svelte';
  import ToNote from './ToNote.svelte';

  /** What came of the parts of a printed batch: those to be judged, those that are, and what is to be handed out. */
  interface Props {
    parts: readonly BatchPart[];
    corrections: Awaited<ReturnType<typeof correctionsOf>>;
  }
  let { parts, corrections }: Props = $props();

  const toNote = $derived(parts.filter(({ outcome }) => outcome === null));
  const noted = $derived(parts.filter(({ outcome }) => outcome !== null));
  const toHandOut = $derived(
    noted.filter(
      (part) =>
        part.outcome !== null && isUsable(part.outcome) && part.handedOutAt === null && !hasSupports(part),
    ),
  );
</script>

<section class="flex flex-col gap-3" aria-label={say.outcomeTitle}>
  <div class="flex flex-wrap items-baseline gap-4">
    <h2>{say.outcomeTitle}</h2>
    {#if toHandOut.length > 1}
      <form method="POST" action="?/handOut" use:enhance class="ml-auto">
        <Button type="submit" size="xs" color="alternative">{say.handOutAll(toHandOut.length)}</Button>
      </form>
    {/if}
  </div>
  {#if toNote.length > 0}<ToNote parts={toNote} />{/if}
  {#if noted.length > 0}
    <ul class="sheet divide-hairline divide-y">
      {#each noted as part (part.entryId)}
        <Noted {part} corrections={corrections.filter(({ entryId }) => entryId === part.entryId)} />
      {/each}
    </ul>
  {/if}
</section>
