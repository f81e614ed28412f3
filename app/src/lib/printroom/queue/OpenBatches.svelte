<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { batchTexts } from '$lib/texts/batch';
  import { queueTexts as say } from '$lib/texts/queue';
  import { namesOf } from '../partsInWords';

  /** The batches that are laid and not printed. */
  interface Props {
    batches: readonly {
      readonly id: string;
      readonly number: number;
      readonly takes: { readonly seconds: number; readonly grams: number };
      readonly parts: readonly {
        readonly entryId: string;
        readonly handInId: string;
        readonly student: string;
      }[];
    }[];
    /** The names of the printers that print a batch. */
    onPrinter: ReadonlyMap<string | undefined, string>;
  }
  let { batches, onPrinter }: Props = $props();

  const MOST_PICTURES = 6;
</script>

<h2 class="mb-2">{say.batches}</h2>
<ul class="sheet divide-hairline mb-6 divide-y">
  {#each batches as batch (batch.id)}
    <li class="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2" data-batch={batch.number}>
      <strong class="w-20">{batchTexts.title(batch.number)}</strong>
      <span class="flex gap-1">
        {#each batch.parts.slice(0, MOST_PICTURES) as part (part.entryId)}
          <img src="/picture/hand-in/{part.handInId}?row" alt="" width="48" height="30" loading="lazy" />
        {/each}
      </span>
      <span>{namesOf(batch.parts)}</span>
      <span class="text-ink-soft measured ml-auto"
        >{say.batchTakes(batch.takes.seconds, batch.takes.grams)}</span
      >
      {#if onPrinter.has(batch.id)}<span class="font-semibold"
          >{say.isPrinting}, {onPrinter.get(batch.id)}</span
        >{/if}
      <Button href="/batch/{batch.id}" size="xs" color="alternative">{say.open}</Button>
    </li>
  {/each}
</ul>
