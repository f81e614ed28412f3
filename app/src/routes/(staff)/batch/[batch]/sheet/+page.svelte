<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import BatchPlate from '$lib/batch/BatchPlate.svelte';
  import { otherwiseWords } from '$lib/batch/otherwiseWords';
  import { isOtherwise } from '$lib/shared/batchPiece';
  import { plateOf } from '$lib/shared/plate';
  import { batchTexts as say } from '$lib/texts/batch';

  let { data } = $props();
  const plate = $derived(plateOf(data.parts[0].limits));
</script>

<svelte:head><title>{say.sheetTitle(data.batch.number)} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-4xl p-6">
  <div class="mb-1 flex items-baseline gap-4 print:hidden">
    <a href="/batch/{data.batch.id}" class="text-primary-800 underline underline-offset-2"
      >{say.title(data.batch.number)}</a
    >
    <Button class="ml-auto" size="xs" color="alternative" onclick={() => window.print()}>{say.print}</Button>
  </div>
  <h1>{say.sheetTitle(data.batch.number)}</h1>
  <p class="text-ink-soft mb-3">{say.sheetWhat}</p>
  <div class="grid gap-6 sm:grid-cols-[1fr_260px] print:grid-cols-[1fr_220px]">
    <div class="aspect-[11/10]">
      <BatchPlate parts={data.parts} {plate} choice={data.batch.choice} colour="none" isSheet />
    </div>
    <ol class="list-decimal pl-6">
      {#each data.parts as part (part.entryId)}
        <li class="mb-1">
          <strong>{part.student}</strong>
          <span class="text-ink-soft">{part.className}, {part.brief}</span>
          {#if part.ownChoice && isOtherwise(part)}
            <span class="block text-sm">{otherwiseWords(part.ownChoice)}</span>
          {/if}
        </li>
      {/each}
    </ol>
  </div>
</main>
