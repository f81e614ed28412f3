<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button } from 'flowbite-svelte';
  import WaitingTable from '$lib/printroom/WaitingTable.svelte';
  import { clock } from '$lib/ui/clock.svelte';
  import { clockTime } from '$lib/ui/times';
  import { follow } from '$lib/live/follow.svelte';
  import { namesOf } from '$lib/printroom/partsInWords';
  import { firstColour } from '$lib/shared/batchColours';
  import StartBatch from '$lib/batch/StartBatch.svelte';
  import { batchTexts } from '$lib/texts/batch';
  import { queueTexts as say } from '$lib/texts/queue';

  let { data, form } = $props();

  const time = clock();

  const waiting = $derived(data.entries.filter(({ state }) => state === 'waiting'));
  const dropped = $derived(data.entries.filter(({ state }) => state === 'dropped'));
  const free = $derived(waiting.filter(({ heldAt, doubt }) => !heldAt && !doubt));
  const idle = $derived(data.printers.filter(({ status, run, change }) => status?.online && !run && !change));
  let chosen = $state<string[]>([]);
  /** The part that is about to be started, and on which printer. */
  let starting = $state<{ entry: string; printer: string }>();
  follow(() => (starting ? ['printroom', 'printers'] : ['printroom']));
  const startingEntry = $derived(free.find(({ id }) => id === starting?.entry));
  const startingPrinter = $derived(idle.find(({ id }) => id === starting?.printer));
  const toLay = $derived(free.filter(({ id }) => chosen.includes(id)).length);
  const takesOf = (batch: (typeof data.batches)[number]) =>
    batch.estimate ?? {
      seconds: batch.parts.reduce((sum, { estimate }) => sum + estimate.seconds, 0),
      grams: batch.parts.reduce((sum, { estimate }) => sum + estimate.grams, 0),
    };
  const onPrinter = $derived(new Map(data.printers.map(({ run, name }) => [run?.batchId, name])));
  const total = $derived({
    seconds: waiting.reduce((sum, { estimate }) => sum + estimate.seconds, 0),
    grams: waiting.reduce((sum, { estimate }) => sum + estimate.grams, 0),
  });
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-6xl p-6">
  <div class="mb-4 flex items-baseline gap-4">
    <h1>{say.title}</h1>
    <span class="text-ink-soft">
      {say.waiting(waiting.length, total.seconds, total.grams)}
    </span>
  </div>
  {#if form?.message}<p role="alert" class="border-fail bg-fail-wash mb-3 border-l-4 px-3 py-2">
      {form.message}
    </p>{/if}

  {#if data.batches.length > 0}
    <h2 class="mb-2">{say.batches}</h2>
    <ul class="sheet divide-hairline mb-6 divide-y">
      {#each data.batches as batch (batch.id)}
        {@const takes = takesOf(batch)}
        <li class="flex items-center gap-4 px-4 py-2" data-batch={batch.number}>
          <strong class="w-20">{batchTexts.title(batch.number)}</strong>
          <span class="flex gap-1">
            {#each batch.parts.slice(0, 8) as part (part.entryId)}
              <img src="/picture/hand-in/{part.handInId}" alt="" width="48" height="30" />
            {/each}
          </span>
          <span>{namesOf(batch.parts)}</span>
          <span class="text-ink-soft measured ml-auto">{say.batchTakes(takes.seconds, takes.grams)}</span>
          {#if onPrinter.has(batch.id)}<span class="font-semibold"
              >{say.isPrinting}, {onPrinter.get(batch.id)}</span
            >{/if}
          <Button href="/batch/{batch.id}" size="xs" color="alternative">{say.open}</Button>
        </li>
      {/each}
    </ul>
  {/if}

  {#if data.proposals.length > 0}
    <section class="mb-6" aria-label={say.proposed}>
      <h2 class="mb-1">{say.proposed}</h2>
      <p class="text-ink-soft mb-2 text-sm">{say.rules}</p>
      <div class="grid gap-4 md:grid-cols-2">
        {#each data.proposals as proposal (proposal.printer.id)}
          <form
            method="POST"
            action="?/lay"
            use:enhance
            class="sheet flex flex-col gap-1 p-4"
            data-proposal={proposal.printer.name}
          >
            <input type="hidden" name="printer" value={proposal.printer.id} />
            {#each proposal.parts as { id } (id)}<input type="hidden" name="entry" value={id} />{/each}
            <span class="flex items-center gap-2">
              <span
                class="border-hairline h-3 w-3 rounded-full border"
                style="background: {proposal.printer.colour}"
              ></span>
              <strong>{say.proposal(proposal.parts.length, proposal.printer.name)}</strong>
              <span class="text-ink-soft">{namesOf(proposal.parts)}</span>
            </span>
            <span>
              {say.proposalTakes(
                proposal.seconds,
                proposal.grams,
                clockTime(new Date(time.nowMs + proposal.seconds * 1000)),
              )}, {proposal.isOvernight
                ? say.overnight(clockTime(proposal.until))
                : say.beforeBell(clockTime(proposal.until))}
            </span>
            {#if proposal.parts.length > 1}
              <span class="text-ink-soft text-sm"
                >{say.saves(proposal.parts.length - 1, proposal.savesSeconds)}</span
              >
            {/if}
            <Button type="submit" size="xs" class="mt-1 self-start">{say.layProposal}</Button>
          </form>
        {/each}
      </div>
    </section>
  {/if}

  {#if waiting.length > 0}
    <form method="POST" action="?/lay" use:enhance id="lay" class="mb-2 flex flex-wrap items-center gap-3">
      <Button type="submit" size="sm" disabled={toLay === 0}>{say.lay(toLay)}</Button>
      <label class="flex items-center gap-2"
        >{say.onBatch}
        <select name="batch" class="border-hairline rounded py-1 pr-8 pl-2">
          <option value="">{say.newBatch}</option>
          {#each data.batches.filter(({ id }) => !onPrinter.has(id)) as { id, number } (id)}
            <option value={id}>{say.batch(number)}</option>
          {/each}
        </select></label
      >
      {#if toLay === 0}<span class="text-ink-soft">{say.chooseFirst}</span>{/if}
      {#if waiting.some(({ handOrder }) => handOrder !== null)}
        <span class="text-ink-soft ml-auto">{say.byHand}</span>
        <Button type="submit" size="xs" color="alternative" form="rules">{say.byRules}</Button>
      {/if}
    </form>
    <form method="POST" action="?/order" use:enhance id="rules"></form>
    <WaitingTable
      {waiting}
      {free}
      printers={data.printers}
      bind:chosen
      start={(entry, printer) => (starting = { entry, printer })}
      isTeacher={data.person?.role === 'teacher'}
    />
  {:else}
    <p class="text-ink-soft mb-8">{say.nothing}</p>
  {/if}

  {#if dropped.length > 0}
    <section aria-label={say.dropped}>
      <h2 class="mb-1">{say.dropped}</h2>
      <ul class="sheet divide-hairline divide-y">
        {#each dropped as entry (entry.id)}
          <li class="flex items-center gap-4 px-4 py-2">
            <img src="/picture/hand-in/{entry.handInId}" alt={entry.name} width="64" height="40" />
            <strong>{entry.student}</strong>
            <span class="text-ink-soft">{entry.className}</span>
            <form method="POST" action="?/drop" use:enhance class="ml-auto">
              <input type="hidden" name="entry" value={entry.id} />
              <Button type="submit" size="xs" color="alternative" name="dropped" value="no"
                >{say.putBack}</Button
              >
            </form>
          </li>
        {/each}
      </ul>
    </section>
  {/if}
</main>

{#if startingEntry && startingPrinter}
  <StartBatch
    printer={startingPrinter}
    entry={startingEntry.id}
    spools={data.spools}
    material={startingEntry.material}
    grams={startingEntry.estimate.grams}
    colour={firstColour(startingEntry.colours)}
    close={() => (starting = undefined)}
  />
{/if}
