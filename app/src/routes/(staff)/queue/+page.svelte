<script lang="ts">
  import { sendAction } from '$lib/ui/send';
  import { replaceState } from '$app/navigation';
  import { page } from '$app/state';
  import type { ActionResult, SubmitFunction } from '@sveltejs/kit';
  import { Button } from 'flowbite-svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import { follow } from '$lib/live/follow.svelte';
  import ChosenParts from '$lib/printroom/queue/ChosenParts.svelte';
  import OpenBatches from '$lib/printroom/queue/OpenBatches.svelte';
  import { Proposals } from '$lib/printroom/queue/proposals.svelte';
  import ProposalList from '$lib/printroom/queue/Proposals.svelte';
  import QueueBar from '$lib/printroom/queue/QueueBar.svelte';
  import QueueList from '$lib/printroom/queue/QueueList.svelte';
  import { QueueRows } from '$lib/printroom/queue/queueRows.svelte';
  import { isFree, isIdle } from '$lib/shared/printerNow';
  import { mayBeLaid, type QueueNews } from '$lib/shared/queue/queueRow';
  import { queryOf, rowsIn, takesOf, viewIn, type QueueView } from '$lib/shared/queue/queueView';
  import { weekPlanTexts } from '$lib/texts/weekPlan';
  import { queueTexts as say } from '$lib/texts/queue';
  import { enhance } from '$lib/ui/enhance';

  let { data, form } = $props();

  const rows = new QueueRows(() => data.first);
  const proposals = new Proposals();
  $effect(() => rows.follow());
  $effect(() => proposals.follow());

  let view = $state.raw(viewIn(page.url.searchParams));
  const shown = $derived(rowsIn(rows.all, view));
  const isTeacher = $derived(data.person?.role === 'teacher');
  const idle = $derived(data.printers.filter(isIdle));
  const waiting = $derived.by(() => {
    if (!rows.isWhole) return data.waiting;
    const inQueue = rows.all.filter(({ state }) => state !== 'out');
    return { count: inQueue.length, ...takesOf(inQueue) };
  });

  const picked = new SvelteSet<string>();
  /** Of what was chosen, what is still there; whoever looks at others first sees what they chose before. */
  const chosen = $derived(rows.all.filter(({ id }) => picked.has(id)));
  const isAllChosen = $derived(shown.length > 0 && shown.every(({ id }) => picked.has(id)));

  /** The part that is about to be started, and on which printer. */
  let starting = $state<{ entry: string; printer: string }>();
  follow(() => (starting ? ['printroom', 'printers'] : ['printroom']));
  const startingEntry = $derived(rows.all.find((row) => row.id === starting?.entry && mayBeLaid(row)));
  // Its filament may be changed in the dialog, which stays meanwhile.
  const startingPrinter = $derived(
    data.printers.find((each) => each.id === starting?.printer && isFree(each)),
  );
  const onPrinter = $derived(new Map(data.printers.map(({ run, name }) => [run?.batchId, name])));

  type Done = keyof typeof say.done;
  /** What was done last to parts, and can be undone; or why it was not. */
  let done = $state.raw<{ done: Done; count: number; entries: string[] }>();
  let problem = $derived(form?.message);
  const undoing = {
    held: ['?/hold', 'held', 'no'],
    released: ['?/hold', 'held', 'yes'],
    dropped: ['?/drop', 'dropped', 'no'],
    putBack: ['?/drop', 'dropped', 'yes'],
  } satisfies Record<Done, [string, string, string]>;

  /** Says what was done, or why it was not. */
  function note(result: ActionResult) {
    problem = result.type === 'failure' ? (result.data?.message as string) : undefined;
    done = result.type === 'success' && result.data?.done ? (result.data as typeof done) : undefined;
  }
  const told: SubmitFunction =
    () =>
    ({ result }) => {
      note(result);
      // Only the rows are not as they were, so that the page is not loaded anew.
      return rows.refresh();
    };

  async function put(id: string, before: string | undefined) {
    await rows.put(id, before, async (known) => {
      try {
        const result = await sendAction('?/put', [
          ['entry', id],
          ['to', before ?? 'last'],
          ['known', known ?? ''],
        ]);
        note(result);
        return result.type === 'success' ? (result.data?.news as QueueNews) : undefined;
      } catch (refused) {
        problem = `${(refused as Error).message} ${say.notMoved}`;
        done = undefined;
        return undefined;
      }
    });
  }

  function look(wanted: QueueView) {
    view = wanted;
    const query = queryOf(wanted);
    replaceState(query ? `?${query}` : page.url.pathname, page.state);
  }
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-6xl p-4 sm:p-6">
  <div class="mb-4 flex flex-wrap items-baseline gap-x-4">
    <h1>{say.title}</h1>
    <span class="text-ink-soft">{say.waiting(waiting.count, waiting.seconds, waiting.grams)}</span>
    <a class="text-primary-800 ml-auto underline underline-offset-2" href="/plan">{weekPlanTexts.title}</a>
  </div>
  {#if problem}<p role="alert" class="border-fail bg-fail-wash mb-3 border-l-4 px-3 py-2">{problem}</p>{/if}

  {#if data.batches.length > 0}<OpenBatches batches={data.batches} {onPrinter} />{/if}

  {#if idle.length > 0 && waiting.count > 0 && proposals.found?.length !== 0}
    <ProposalList proposals={proposals.found} />
  {/if}

  {#if rows.all.length > 0}
    <!-- What can be chosen is known when all rows are here. -->
    <QueueBar rows={rows.isWhole ? rows.all : []} {view} change={look} />
    <ChosenParts
      parts={chosen}
      batches={data.batches.filter(({ id }) => !onPrinter.has(id))}
      {isTeacher}
      isByHand={rows.all.some(({ handOrder, state }) => handOrder !== null && state === 'waiting')}
      clear={() => picked.clear()}
      {told}
    />
    {#if done}
      <form
        method="POST"
        action={undoing[done.done][0]}
        use:enhance={told}
        role="status"
        class="border-pass bg-pass-wash mb-2 flex items-center gap-3 border-l-4 px-3 py-2"
      >
        {say.done[done.done](done.count)}
        {#each done.entries as entry (entry)}<input type="hidden" name="entry" value={entry} />{/each}
        <Button
          type="submit"
          size="xs"
          color="alternative"
          name={undoing[done.done][1]}
          value={undoing[done.done][2]}>{say.undo}</Button
        >
      </form>
    {/if}
    <label class="mb-2 flex w-fit items-center gap-3 px-2">
      <span class="w-6"></span>
      <input
        type="checkbox"
        class="rounded"
        checked={isAllChosen}
        onchange={() => {
          for (const { id } of shown) {
            if (isAllChosen) picked.delete(id);
            else picked.add(id);
          }
        }}
      />
      {say.chooseAll}
      {#if shown.length < waiting.count}
        <span class="text-ink-soft">{say.shown(shown.length, waiting.count)}</span>
      {/if}
    </label>
    {#if shown.length > 0}
      <QueueList
        hold={(isDragged) => proposals.hold(isDragged)}
        rows={shown}
        group={view.group}
        printers={data.printers}
        {isTeacher}
        chosen={picked}
        {put}
        start={(entry, printer) => (starting = { entry, printer })}
        {told}
      />
    {:else}
      <p class="text-ink-soft mb-8">{say.nothingFound}</p>
    {/if}
  {:else}
    <p class="text-ink-soft mb-8">{say.nothing}</p>
  {/if}
</main>

{#if startingEntry && startingPrinter}
  {#await import('$lib/batch/StartBatch.svelte') then { default: StartBatch }}
    <StartBatch
      printer={startingPrinter}
      entry={startingEntry.id}
      spools={data.spools}
      material={startingEntry.material}
      grams={startingEntry.grams}
      colours={startingEntry.colours.length > 0 ? startingEntry.colours : [undefined]}
      close={() => (starting = undefined)}
    />
  {:catch}
    <p role="alert" class="border-fail bg-fail-wash fixed inset-x-4 bottom-4 border-l-4 px-3 py-2">
      {say.notOpened}
    </p>
  {/await}
{/if}
