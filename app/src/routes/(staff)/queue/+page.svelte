<script lang="ts">
  import { enhance } from '$app/forms';
  import {
    Button,
    Table,
    TableBody,
    TableBodyCell,
    TableBodyRow,
    TableHead,
    TableHeadCell,
  } from 'flowbite-svelte';
  import WaiverList from '$lib/review/WaiverList.svelte';
  import { follow } from '$lib/ui/follow.svelte';
  import StateChip from '$lib/ui/StateChip.svelte';
  import { queueTexts as say } from '$lib/texts/queue';

  let { data, form } = $props();

  follow(() => ['printroom']);

  const waiting = $derived(data.entries.filter(({ state }) => state === 'waiting'));
  const others = $derived(data.entries.filter(({ state }) => state !== 'waiting'));
  const idle = $derived(data.printers.filter(({ status, run }) => status?.online && !run));
  const total = $derived({
    minutes: Math.ceil(waiting.reduce((sum, { estimate }) => sum + estimate.seconds, 0) / 60),
    grams: waiting.reduce((sum, { estimate }) => sum + estimate.grams, 0),
  });
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-6xl p-6">
  <div class="mb-4 flex items-baseline gap-4">
    <h1>{say.title}</h1>
    <span class="text-ink-soft">
      {say.waiting(waiting.length, total.minutes, total.grams)}
    </span>
  </div>
  {#if form?.message}<p role="alert" class="border-fail bg-fail-wash mb-3 border-l-4 px-3 py-2">
      {form.message}
    </p>{/if}

  {#if waiting.length > 0}
    <div class="sheet mb-8 overflow-hidden">
      <Table>
        <TableHead>
          <TableHeadCell>{say.part}</TableHeadCell>
          <TableHeadCell>{say.student}</TableHeadCell>
          <TableHeadCell>{say.class}</TableHeadCell>
          <TableHeadCell>{say.takes}</TableHeadCell>
          <TableHeadCell>{say.printFile}</TableHeadCell>
          <TableHeadCell>{say.startOn}</TableHeadCell>
        </TableHead>
        <TableBody>
          {#each waiting as entry (entry.id)}
            <TableBodyRow data-entry={entry.student}>
              <TableBodyCell class="py-1"
                ><img
                  src="/picture/hand-in/{entry.handInId}"
                  alt={entry.name}
                  width="96"
                  height="60"
                /></TableBodyCell
              >
              <TableBodyCell class="whitespace-normal">
                <strong>{entry.student}</strong>
                {#if entry.copies > 1}
                  <span class="text-ink-soft">{say.copy(entry.copy, entry.copies)}</span>
                {/if}
                <WaiverList waivers={entry.waivers} />
                {#if entry.doubt}<p class="text-fail text-sm">{entry.doubt}</p>{/if}
              </TableBodyCell>
              <TableBodyCell>{entry.className}</TableBodyCell>
              <TableBodyCell>
                <span class="measured">{Math.ceil(entry.estimate.seconds / 60)}</span> min,
                <span class="measured">{entry.estimate.grams.toFixed(1)}</span> g
              </TableBodyCell>
              <TableBodyCell
                ><span class="measured" title={entry.hash}>{entry.hash.slice(0, 8)}</span></TableBodyCell
              >
              <TableBodyCell>
                <form method="POST" action="?/start" use:enhance class="flex gap-2">
                  <input type="hidden" name="entry" value={entry.id} />
                  {#each idle as printer (printer.id)}
                    <Button
                      type="submit"
                      name="printer"
                      value={printer.id}
                      size="xs"
                      aria-label={say.printOn(entry.student, printer.name)}
                    >
                      <span
                        class="mr-1.5 h-3 w-3 rounded-full border border-white"
                        style="background: {printer.spool?.colour ?? 'transparent'}"
                      ></span>{printer.name}
                    </Button>
                  {:else}
                    <span class="text-ink-soft">{say.noneFree}</span>
                  {/each}
                </form>
              </TableBodyCell>
            </TableBodyRow>
          {/each}
        </TableBody>
      </Table>
    </div>
  {:else}
    <p class="text-ink-soft mb-8">{say.nothing}</p>
  {/if}

  {#if others.length > 0}
    <h2 class="mb-2">{say.others}</h2>
    <ul class="sheet divide-hairline divide-y">
      {#each others as entry (entry.id)}
        <li class="flex items-center gap-4 px-4 py-2">
          <img src="/picture/hand-in/{entry.handInId}" alt="" width="64" height="40" />
          <strong>{entry.student}</strong>
          <span class="text-ink-soft">{entry.brief}</span>
          <span class="ml-auto"
            >{#if entry.state !== 'waiting'}<StateChip state={entry.state} />{/if}</span
          >
        </li>
      {/each}
    </ul>
  {/if}
</main>
