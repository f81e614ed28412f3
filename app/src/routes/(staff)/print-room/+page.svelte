<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import PrinterLane from '$lib/printroom/PrinterLane.svelte';
  import { spoolTexts } from '$lib/texts/spools';
  import { follow } from '$lib/ui/follow.svelte';

  let { data, form } = $props();

  follow(() => ['printroom']);
</script>

<svelte:head><title>Print room · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-6xl p-6">
  <div class="mb-4 flex items-baseline gap-4">
    <h1>Print room</h1>
    <span class="text-ink-soft">{data.waiting} part{data.waiting === 1 ? '' : 's'} waiting</span>
    <a class="text-primary-800 ml-auto underline underline-offset-2" href="/spools">{spoolTexts.title}</a>
    <Button href="/queue" color="alternative" size="sm">Open the queue</Button>
  </div>
  {#if form?.message}<p role="alert" class="border-fail bg-fail-wash mb-3 border-l-4 px-3 py-2">
      {form.message}
    </p>{/if}
  {#each data.printers as printer (printer.id)}
    <PrinterLane {printer} />
  {:else}
    <p class="text-ink-soft">There is no printer yet.</p>
  {/each}
</main>
