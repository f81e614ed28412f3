<script lang="ts">
  import type { LimitsCard } from '@kelbrin/core/inspect';
  import type { Region } from '@kelbrin/core/plane';
  import type { PartChoice, PrintChoice } from '@kelbrin/core/slice';
  import { isOtherwise } from '$lib/shared/batchPiece';
  import { batchTexts as say } from '$lib/texts/batch';
  import OwnChoice from './OwnChoice.svelte';

  /** How the marked part is printed otherwise than the others of its batch, and which ones are. */
  interface Props {
    parts: readonly {
      readonly entryId: string;
      readonly student: string;
      readonly ownChoice: PartChoice | null;
      readonly footprint: Region;
    }[];
    /** The part that is marked, by its place in the queue. */
    chosen?: string;
    /** How the batch is printed. */
    choice: PrintChoice;
    limits: LimitsCard;
    change: (entryId: string, own: PartChoice) => void;
  }
  let { parts, chosen = $bindable(), choice, limits, change }: Props = $props();

  const part = $derived(parts.find(({ entryId }) => entryId === chosen));
  const otherwise = $derived(parts.filter(isOtherwise));
</script>

{#if part}
  {#key part.entryId}
    <OwnChoice
      student={part.student}
      footprint={part.footprint}
      own={isOtherwise(part) ? part.ownChoice : null}
      {choice}
      {limits}
      change={(own) => change(part.entryId, own)}
    />
  {/key}
{/if}
{#if otherwise.length > 0}
  <p class="flex flex-wrap gap-x-2 text-sm">
    {say.printedOtherwise}
    {#each otherwise as { entryId, student } (entryId)}
      <button
        type="button"
        class="text-primary-800 underline underline-offset-2"
        onclick={() => (chosen = entryId)}>{student}</button
      >
    {/each}
  </p>
{/if}
