<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button } from 'flowbite-svelte';
  import PrinterLane from '$lib/printroom/PrinterLane.svelte';
  import { printFiguresTexts } from '$lib/texts/printFigures';
  import { printersTexts } from '$lib/texts/printers';
  import { spoolTexts } from '$lib/texts/spools';
  import { follow } from '$lib/live/follow.svelte';
  import { printRoomTexts as say } from '$lib/texts/printRoom';

  let { data, form } = $props();

  follow(() => ['printroom', 'printers']);
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-6xl p-6">
  <div class="mb-4 flex flex-wrap items-baseline gap-x-4 gap-y-1">
    <h1>{say.title}</h1>
    <span class="text-ink-soft">{say.waiting(data.waiting)}</span>
    <a class="text-primary-800 ml-auto underline underline-offset-2" href="/print-room/figures"
      >{printFiguresTexts.link}</a
    >
    {#if data.person?.role === 'teacher'}
      <a class="text-primary-800 underline underline-offset-2" href="/printers">{printersTexts.title}</a>
    {/if}
    <a class="text-primary-800 underline underline-offset-2" href="/spools">{spoolTexts.title}</a>
    <Button href="/queue" color="alternative" size="sm">{say.openQueue}</Button>
  </div>
  {#if form?.message}<p role="alert" class="border-fail bg-fail-wash mb-3 border-l-4 px-3 py-2">
      {form.message}
    </p>{/if}
  {#each data.printers as printer (printer.id)}
    {@const isOfIt = ({ printerId }: { printerId: string }) => printerId === printer.id}
    <PrinterLane
      {printer}
      day={data.day}
      spools={data.spools}
      care={data.care.filter(isOfIt)}
      careBook={data.careBook.filter(isOfIt)}
    />
  {:else}
    <p class="text-ink-soft">{say.noPrinter}</p>
  {/each}
  {#if data.person?.role === 'teacher'}
    <details class="sheet px-4 py-3">
      <summary class="cursor-pointer">{say.dayTitle}</summary>
      <form method="POST" action="?/bells" use:enhance class="mt-2 flex flex-col items-start gap-2">
        <label class="flex flex-col gap-1"
          >{say.dayWhat}
          <textarea
            name="day"
            rows={data.day.length + 1}
            class="measured border-hairline w-40 rounded px-2 py-1"
            >{data.day.map(({ from, to }) => `${from} ${to}`).join('\n')}</textarea
          ></label
        >
        <Button type="submit" size="xs">{say.daySave}</Button>
      </form>
    </details>
  {/if}
</main>
