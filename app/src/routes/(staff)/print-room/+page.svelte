<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import PrinterLane from '$lib/printroom/PrinterLane.svelte';
  import { spoolTexts } from '$lib/texts/spools';
  import { follow } from '$lib/ui/follow.svelte';
  import { printRoomTexts as say } from '$lib/texts/printRoom';

  let { data, form } = $props();

  follow(() => ['printroom']);
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-6xl p-6">
  <div class="mb-4 flex items-baseline gap-4">
    <h1>{say.title}</h1>
    <span class="text-ink-soft">{say.waiting(data.waiting)}</span>
    <a class="text-primary-800 ml-auto underline underline-offset-2" href="/spools">{spoolTexts.title}</a>
    <Button href="/queue" color="alternative" size="sm">{say.openQueue}</Button>
  </div>
  {#if form?.message}<p role="alert" class="border-fail bg-fail-wash mb-3 border-l-4 px-3 py-2">
      {form.message}
    </p>{/if}
  {#each data.printers as printer (printer.id)}
    <PrinterLane {printer} />
  {:else}
    <p class="text-ink-soft">{say.noPrinter}</p>
  {/each}
</main>
