<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import PlateBed from '$lib/plate/PlateBed.svelte';
  import { bedOf, gapOf } from '$lib/shared/plate';
  import { plateTexts as say } from '$lib/texts/plate';

  let { data } = $props();
  const bed = $derived(bedOf(data.parts[0].limits));
</script>

<svelte:head><title>{say.sheetTitle(data.plate.number)} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-4xl p-6">
  <div class="mb-1 flex items-baseline gap-4 print:hidden">
    <a href="/plate/{data.plate.id}" class="text-primary-800 underline underline-offset-2"
      >{say.title(data.plate.number)}</a
    >
    <Button class="ml-auto" size="xs" color="alternative" onclick={() => window.print()}>{say.print}</Button>
  </div>
  <h1>{say.sheetTitle(data.plate.number)}</h1>
  <p class="text-ink-soft mb-3">{say.sheetWhat}</p>
  <div class="grid gap-6 sm:grid-cols-[1fr_260px] print:grid-cols-[1fr_220px]">
    <div class="aspect-[11/10]">
      <PlateBed parts={data.parts} {bed} gapMm={gapOf(data.plate.choice)} colour="none" isSheet />
    </div>
    <ol class="list-decimal pl-6">
      {#each data.parts as part (part.entryId)}
        <li class="mb-1">
          <strong>{part.student}</strong>
          <span class="text-ink-soft">{part.className}, {part.brief}</span>
        </li>
      {/each}
    </ol>
  </div>
</main>
