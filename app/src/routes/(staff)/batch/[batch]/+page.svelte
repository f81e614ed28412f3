<script lang="ts">
  import { placesFor, placesOf } from '$lib/shared/rolls';
  import { onDestroy } from 'svelte';
  import { enhance } from '$lib/ui/enhance';
  import { applyAction } from '$app/forms';
  import { page } from '$app/state';
  import type { Pose } from '@kelbrin/core/plate';
  import { sameMaterial, type PartChoice, type PrintChoice } from '@kelbrin/core/slice';
  import { Button } from 'flowbite-svelte';
  import ColourClash from '$lib/batch/ColourClash.svelte';
  import Layers from '$lib/batch/Layers.svelte';
  import OwnChoices from '$lib/batch/OwnChoices.svelte';
  import FailedTries from '$lib/batch/FailedTries.svelte';
  import Outcomes from '$lib/batch/outcomes/Outcomes.svelte';
  import BatchPlate from '$lib/batch/BatchPlate.svelte';
  import BatchViews, { type BatchView } from '$lib/batch/BatchViews.svelte';
  import BatchSection from '$lib/batch/BatchSection.svelte';
  import PrintChoiceFields from '$lib/batch/PrintChoice.svelte';
  import { BatchSlicing, partToSlice } from '$lib/batch/slicing.svelte';
  import { isFree } from '$lib/shared/printerNow';
  import StartPanel from '$lib/batch/StartPanel.svelte';
  import StartBatch from '$lib/batch/StartBatch.svelte';
  import Takes from '$lib/batch/Takes.svelte';
  import { choiceWithColours, coloursOfBatch } from '$lib/shared/batchColours';
  import { placeProblem } from '$lib/shared/placeProblem';
  import { plateOf } from '$lib/shared/plate';
  import { batchTexts as say } from '$lib/texts/batch';
  import { follow } from '$lib/live/follow.svelte';
  import { reloadLive } from '$lib/live/reload';
  import { sendAction, sendJson } from '$lib/ui/send';

  let { data, form } = $props();

  let view = $state<BatchView>('plate');
  let chosen = $state<string>();
  let starting = $state<string>();
  let problem = $state<string>();
  // How warm a printer is matters here while its filament is changed.
  follow(() => (starting ? ['printroom', 'printers'] : ['printroom']));

  /** What was changed here and is on its way to the server. */
  let moved = $state.raw<Record<string, Pose>>({});
  let own = $state.raw<Record<string, PartChoice>>({});
  let saving: Promise<void> = Promise.resolve();
  let choosing = $state.raw<PrintChoice>();

  /** How many parts found no room when the batch was laid, or laid anew. */
  const left = $derived(
    form && 'left' in form ? (form.left ?? 0) : form ? 0 : Number(page.url.searchParams.get('left') ?? 0),
  );
  const current = $derived(data.parts.filter(({ isCurrent }) => isCurrent));
  const isPrinted = $derived(current.length === 0);
  const parts = $derived(
    (isPrinted ? data.parts : current).map((part) => ({
      ...part,
      ...moved[part.entryId],
      ...(own[part.entryId] ? { ownChoice: own[part.entryId] } : {}),
    })),
  );
  const chosenPart = $derived(parts.find(({ entryId }) => entryId === chosen));
  const choice = $derived(choosing ?? data.batch.choice);
  const together = $derived(coloursOfBatch(parts));
  /** How it is printed, with the stops that its parts’ colours need. */
  const printed = $derived(choiceWithColours(choice, together));
  const limits = $derived(parts[0].limits);
  const plate = $derived(plateOf(limits, choice));
  const run = $derived(data.tries.find(({ state }) => ['preparing', 'sending', 'printing'].includes(state)));
  const isOpen = $derived(!isPrinted && !run);
  const ready = $derived(data.printers.filter(isFree));
  /** The spool that it is printed from: the one of its print, of the printer that is chosen for it, or of one that could. */
  const filament = $derived.by(() => {
    if (!isOpen && data.spool) return data.spool;
    const could = data.printers.flatMap(({ id, places }) =>
      places
        .filter((spool) => spool !== null)
        .filter(({ material }) => sameMaterial(material, limits.material))
        .map((spool) => ({ id, spool })),
    );
    const wanted = [starting, data.batch.plannedFor];
    const isReady = ({ id }: { id: string }) => ready.some((each) => each.id === id);
    return (could.find(({ id }) => wanted.includes(id)) ?? could.find(isReady) ?? could[0])?.spool;
  });
  const colour = $derived(filament?.colour ?? '#3f8f5f');
  const sheet = $derived(data.sheets[starting ?? data.batch.plannedFor ?? '']);
  /** Why it cannot be printed as its parts lie. */
  const inTheWay = $derived(placeProblem(parts, { limits, choice: printed, head: sheet?.head }));
  const printer = $derived(ready.find(({ id }) => id === starting));
  /** The colours that it is printed in, from below, with those of the stops that somebody chose. */
  const colours = $derived(
    Array.from(
      { length: (printed.colourChangesMm?.length ?? 0) + 1 },
      (_, colour) => together.filaments[colour],
    ),
  );
  /** The printer that it is sliced for, and where on it the colours come from. */
  const on = $derived.by(() => {
    if (!sheet) return undefined;
    const rolls = data.tries.at(0)?.rolls;
    if (!isOpen && rolls) return { sheet, places: placesOf(rolls) };
    const wanted = starting ?? data.batch.plannedFor;
    const places = data.printers.find(({ id }) => id === wanted)?.places ?? [];
    const loaded = places.filter((roll) => roll !== null);
    return { sheet, places: places.length > 1 ? placesFor(colours, loaded) : [] };
  });

  // Another batch is another page.
  // svelte-ignore state_referenced_locally
  const slicing = new BatchSlicing(`/batch/${data.batch.id}/part`);
  onDestroy(() => slicing.close());
  /** What is sliced, as text: loading the same batch anew is no reason to slice it anew. */
  const wanted = $derived(JSON.stringify([parts.map(partToSlice), limits, printed, ...(on ? [on] : [])]));
  $effect(() => {
    void slicing.slice(...(JSON.parse(wanted) as Parameters<BatchSlicing['slice']>));
  });

  async function move(entryId: string, place: Pose, isDone: boolean) {
    if (!isOpen) return;
    moved = { ...moved, [entryId]: place };
    if (!isDone) return;
    await save(`place/${entryId}`, place);
    // What was moved further meanwhile stays where it is here.
    if (moved[entryId] === place) moved = without(moved, entryId);
  }
  async function changeOwn(entryId: string, next: PartChoice) {
    own = { ...own, [entryId]: next };
    await save(`own/${entryId}`, next);
    if (own[entryId] === next) own = without(own, entryId);
  }
  const moveSeam = (entryId: string, seamAtMm: [number, number]) =>
    changeOwn(entryId, { ...parts.find((part) => part.entryId === entryId)?.ownChoice, seamAtMm });
  const without = <T,>(all: Readonly<Record<string, T>>, key: string) =>
    Object.fromEntries(Object.entries(all).filter(([id]) => id !== key));
  async function change(next: PrintChoice) {
    choosing = next;
    await save('choice', next);
    if (choosing === next) choosing = undefined;
  }
  /** Sends a change after those before it; the page then shows what the server holds. */
  function save(what: string, body: unknown): Promise<void> {
    saving = saving.then(async () => {
      problem = undefined;
      try {
        await sendJson('PUT', `/batch/${data.batch.id}/${what}`, body);
      } catch (refused) {
        problem = (refused as Error).message;
      }
      await reloadLive();
    });
    return saving;
  }
  async function takeOff(entryId: string) {
    problem = undefined;
    try {
      // With its last part a batch is gone, and the queue is shown.
      await applyAction(await sendAction('?/off', [['entry', entryId]]));
    } catch (refused) {
      problem = `${(refused as Error).message} ${say.notTakenOff}`;
    }
    await reloadLive();
  }
</script>

<svelte:head><title>{say.title(data.batch.number)} · Kelbrin</title></svelte:head>

<main class="mx-auto flex w-full max-w-7xl flex-col gap-4 p-6">
  <div class="flex flex-wrap items-baseline gap-4">
    <a href="/queue" class="text-primary-800 underline underline-offset-2">{say.queue}</a>
    <h1>{say.title(data.batch.number)}</h1>
    <span class="text-ink-soft">{say.count(parts.length)}, {limits.material}</span>
    <span class="ml-auto flex flex-wrap gap-4">
      <a class="text-primary-800 underline underline-offset-2" href="/batch/{data.batch.id}/sheet"
        >{say.sheet}</a
      >
      <a class="text-primary-800 underline underline-offset-2" href="/batch/{data.batch.id}/gcode" download
        >{say.gcode}</a
      >
    </span>
  </div>
  {#if problem ?? (form && 'message' in form ? form.message : undefined)}
    <p role="alert" class="border-fail bg-fail-wash border-l-4 px-3 py-2">{problem ?? form?.message}</p>
  {:else if left > 0}
    <p role="status" class="border-warn bg-warn-wash border-l-4 px-3 py-2">{say.left(left)}</p>
  {/if}

  {#if isOpen && together.clash}
    <ColourClash clash={together.clash} names={parts.map(({ name }) => name)} />
  {/if}
  {#if data.batch.state === 'printed'}<Outcomes {parts} corrections={data.corrections} />
  {:else if data.batch.state === 'discarded'}<p class="text-ink-soft">{say.brokenUp}</p>{/if}

  <div class="grid grid-cols-1 gap-5 lg:grid-cols-[1fr_320px]">
    <section class="sheet flex h-[560px] min-w-0 flex-col gap-3 p-4">
      <BatchViews bind:view>
        {#if view === 'plate' && isOpen}
          <span class="ml-auto flex flex-wrap gap-2">
            {#if chosenPart}
              <Button
                size="xs"
                color="alternative"
                onclick={() =>
                  move(chosenPart.entryId, { ...chosenPart, turnDeg: (chosenPart.turnDeg + 15) % 360 }, true)}
                >{say.turn}</Button
              >
              <Button size="xs" color="alternative" onclick={() => takeOff(chosenPart.entryId)}
                >{say.takeOff}</Button
              >
            {/if}
            <form method="POST" action="?/arrange" use:enhance>
              <Button type="submit" size="xs" color="alternative">{say.arrange}</Button>
            </form>
          </span>
        {/if}
      </BatchViews>
      {#if view === 'plate'}
        <div class="min-h-0 flex-1">
          <BatchPlate
            {parts}
            {plate}
            choice={printed}
            sheet={isOpen ? sheet : undefined}
            {colour}
            bind:chosen
            move={isOpen ? move : undefined}
            takeOff={isOpen ? takeOff : undefined}
            moveSeam={isOpen ? moveSeam : undefined}
          />
        </div>
        {#if isOpen}<p role="status" class="text-sm {inTheWay ? 'text-fail' : 'text-ink-soft'}">
            {inTheWay ?? say.howToMove}
          </p>{/if}
      {:else if view === 'section'}
        <BatchSection {slicing} {parts} bind:chosen />
      {:else}
        <Layers
          {slicing}
          {parts}
          bind:chosen
          colourChangesMm={printed.colourChangesMm}
          filaments={together.filaments}
          day={isPrinted ? undefined : data.day}
          startedAt={run?.startedAt}
        />
      {/if}
    </section>

    <aside class="flex flex-col gap-4">
      <section class="sheet p-4">
        <Takes
          {slicing}
          day={isOpen ? data.day : undefined}
          spool={filament ?? undefined}
          currency={data.school.currency}
          colours={together.filaments}
        />
      </section>
      {#if run}
        <section class="sheet p-4">
          <p>{say.isPrinting} <a class="text-primary-800 underline" href="/print-room">{say.watch}</a></p>
        </section>
      {:else if !isPrinted}
        <StartPanel
          printers={data.printers}
          {ready}
          plannedFor={data.batch.plannedFor}
          start={(printer) => (starting = printer)}
        />
      {/if}
      <FailedTries tries={data.tries} />
      {#if isOpen}<OwnChoices {parts} bind:chosen {choice} {limits} change={changeOwn} />{/if}
      <section class="sheet p-4">
        <PrintChoiceFields
          {choice}
          {limits}
          {change}
          hasSupports={parts.some(({ estimate }) => estimate.supports)}
          {inTheWay}
          colourChangesMm={together.changesMm}
          disabled={!isOpen}
        />
      </section>
      {#if isOpen}
        <form method="POST" action="?/discard" use:enhance>
          <Button type="submit" size="xs" color="alternative">{say.discard}</Button>
        </form>
      {/if}
    </aside>
  </div>
</main>

{#if printer}
  <StartBatch
    {printer}
    spools={data.spools}
    material={limits.material}
    grams={slicing.estimate?.grams}
    colourGrams={slicing.estimate?.colourGrams}
    {colours}
    close={() => (starting = undefined)}
  />
{/if}
