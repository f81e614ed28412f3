<script lang="ts">
  import { onDestroy } from 'svelte';
  import { enhance } from '$lib/ui/enhance';
  import { invalidate } from '$app/navigation';
  import { page } from '$app/state';
  import type { Pose } from '@kelbrin/core/plate';
  import { sameMaterial, type PrintChoice } from '@kelbrin/core/slice';
  import { Button } from 'flowbite-svelte';
  import ColourClash from '$lib/batch/ColourClash.svelte';
  import Layers from '$lib/batch/Layers.svelte';
  import Outcomes from '$lib/batch/outcomes/Outcomes.svelte';
  import BatchPlate from '$lib/batch/BatchPlate.svelte';
  import BatchSection from '$lib/batch/BatchSection.svelte';
  import PrintChoiceFields from '$lib/batch/PrintChoice.svelte';
  import { BatchSlicing, partToSlice } from '$lib/batch/slicing.svelte';
  import { isFree } from '$lib/shared/printerNow';
  import StartBatch from '$lib/batch/StartBatch.svelte';
  import Takes from '$lib/batch/Takes.svelte';
  import { choiceWithColours, coloursOfBatch } from '$lib/shared/batchColours';
  import { plateOf, gapOf } from '$lib/shared/plate';
  import { batchTexts as say } from '$lib/texts/batch';
  import { follow, LIVE } from '$lib/live/follow.svelte';
  import { sendJson } from '$lib/ui/send';
  import { clockTime } from '$lib/ui/times';

  let { data, form } = $props();

  let view = $state<'plate' | 'layers' | 'section'>('plate');
  let chosen = $state<string>();
  let starting = $state<string>();
  let problem = $state<string>();
  // How warm a printer is matters here while its filament is changed.
  follow(() => (starting ? ['printroom', 'printers'] : ['printroom']));

  /** What was changed here and is on its way to the server. */
  let moved = $state.raw<Record<string, Pose>>({});
  let saving: Promise<void> = Promise.resolve();
  let choosing = $state.raw<PrintChoice>();

  /** How many parts found no room when the batch was laid, or laid anew. */
  const left = $derived(
    form && 'left' in form ? (form.left ?? 0) : form ? 0 : Number(page.url.searchParams.get('left') ?? 0),
  );
  const current = $derived(data.parts.filter(({ isCurrent }) => isCurrent));
  const isPrinted = $derived(current.length === 0);
  const parts = $derived(
    (isPrinted ? data.parts : current).map((part) => ({ ...part, ...moved[part.entryId] })),
  );
  const choice = $derived(choosing ?? data.batch.choice);
  const together = $derived(coloursOfBatch(parts));
  /** How it is printed, with the stops that its parts’ colours need. */
  const printed = $derived(choiceWithColours(choice, together));
  const limits = $derived(parts[0].limits);
  const plate = $derived(plateOf(limits, choice));
  const run = $derived(data.tries.find(({ state }) => ['preparing', 'sending', 'printing'].includes(state)));
  const failed = $derived(data.tries.filter(({ problem }) => problem !== null));
  const isOpen = $derived(!isPrinted && !run);
  const ready = $derived(data.printers.filter(isFree));
  /** The spool that it is printed from: the one of its print, of the printer that is chosen for it, or of one that could. */
  const filament = $derived.by(() => {
    if (!isOpen && data.spool) return data.spool;
    const could = data.printers.filter(({ spool }) => spool && sameMaterial(spool.material, limits.material));
    const wanted = [starting, data.batch.plannedFor];
    const isReady = ({ id }: { id: string }) => ready.some((each) => each.id === id);
    return (could.find(({ id }) => wanted.includes(id)) ?? could.find(isReady) ?? could[0])?.spool;
  });
  const colour = $derived(filament?.colour ?? '#3f8f5f');
  const sheet = $derived(data.sheets[starting ?? data.batch.plannedFor ?? '']);
  const printer = $derived(ready.find(({ id }) => id === starting));

  // Another batch is another page.
  // svelte-ignore state_referenced_locally
  const slicing = new BatchSlicing(`/batch/${data.batch.id}/part`);
  onDestroy(() => slicing.close());
  /** What is sliced, as text: loading the same batch anew is no reason to slice it anew. */
  const wanted = $derived(
    JSON.stringify([parts.map(partToSlice), limits, printed, ...(sheet ? [sheet] : [])]),
  );
  $effect(() => {
    void slicing.slice(...(JSON.parse(wanted) as Parameters<BatchSlicing['slice']>));
  });

  async function move(entryId: string, place: Pose, isDone: boolean) {
    if (!isOpen) return;
    moved = { ...moved, [entryId]: place };
    if (!isDone) return;
    await save(`place/${entryId}`, place);
    // What was moved further meanwhile stays where it is here.
    if (moved[entryId] === place)
      moved = Object.fromEntries(Object.entries(moved).filter(([id]) => id !== entryId));
  }
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
      await invalidate(LIVE);
    });
    return saving;
  }
  async function takeOff(entryId: string) {
    const body = new FormData();
    body.set('entry', entryId);
    await fetch('?/off', { method: 'POST', body });
    await invalidate(LIVE);
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
  {#if isPrinted}<Outcomes {parts} corrections={data.corrections} />{/if}

  <div class="grid grid-cols-1 gap-5 lg:grid-cols-[1fr_320px]">
    <section class="sheet flex h-[560px] min-w-0 flex-col gap-3 p-4">
      <div class="flex flex-wrap items-center gap-2" role="group" aria-label={say.views}>
        <Button
          size="xs"
          color={view === 'plate' ? 'primary' : 'alternative'}
          onclick={() => (view = 'plate')}>{say.plate}</Button
        >
        <Button
          size="xs"
          color={view === 'layers' ? 'primary' : 'alternative'}
          onclick={() => (view = 'layers')}>{say.layers}</Button
        >
        <Button
          size="xs"
          color={view === 'section' ? 'primary' : 'alternative'}
          onclick={() => (view = 'section')}>{say.section}</Button
        >
        {#if view === 'plate' && isOpen}
          {@const part = parts.find(({ entryId }) => entryId === chosen)}
          <span class="ml-auto flex flex-wrap gap-2">
            {#if part}
              <Button
                size="xs"
                color="alternative"
                onclick={() => move(part.entryId, { ...part, turnDeg: (part.turnDeg + 15) % 360 }, true)}
                >{say.turn}</Button
              >
              <Button size="xs" color="alternative" onclick={() => takeOff(part.entryId)}
                >{say.takeOff}</Button
              >
            {/if}
            <form method="POST" action="?/arrange" use:enhance>
              <Button type="submit" size="xs" color="alternative">{say.arrange}</Button>
            </form>
          </span>
        {/if}
      </div>
      {#if view === 'plate'}
        <div class="min-h-0 flex-1">
          <BatchPlate
            {parts}
            {plate}
            gapMm={gapOf(choice)}
            sheet={isOpen ? sheet : undefined}
            {colour}
            bind:chosen
            move={isOpen ? move : undefined}
            takeOff={isOpen ? takeOff : undefined}
          />
        </div>
        {#if isOpen}<p class="text-ink-soft text-sm">{say.howToMove}</p>{/if}
      {:else if view === 'section'}
        <BatchSection {slicing} {parts} bind:chosen />
      {:else}
        <Layers
          {slicing}
          {parts}
          bind:chosen
          colourChangesMm={printed.colourChangesMm}
          filaments={together.filaments}
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
        <section class="sheet flex flex-col gap-2 p-4" aria-label={say.start}>
          {#each ready as each (each.id)}
            <Button onclick={() => (starting = each.id)}>
              <span
                class="mr-2 h-3 w-3 rounded-full border border-white"
                style="background: {each.spool?.colour ?? 'transparent'}"
              ></span>{say.startOn(each.name)}
            </Button>
          {:else}
            <p class="text-ink-soft">{say.noneFree}</p>
          {/each}
          <form
            method="POST"
            action="?/plan"
            use:enhance={() =>
              ({ update }) =>
                update({ reset: false })}
          >
            <label class="flex items-center gap-2 text-sm"
              >{say.plannedFor}
              <select
                name="printer"
                class="border-hairline rounded py-1 pr-8 pl-2"
                value={data.batch.plannedFor ?? ''}
                onchange={({ currentTarget }) => currentTarget.form?.requestSubmit()}
              >
                <option value="">{say.noPrinter}</option>
                {#each data.printers as { id, name } (id)}<option value={id}>{name}</option>{/each}
              </select></label
            >
          </form>
        </section>
      {/if}
      {#if failed.length > 0}
        <section class="sheet p-4" aria-label={say.tries}>
          <h2 class="mb-1">{say.tries}</h2>
          <ul class="text-sm">
            {#each failed as { id, startedAt, problem } (id)}
              <li><span class="measured text-ink-soft">{clockTime(startedAt)}</span> {problem}</li>
            {/each}
          </ul>
        </section>
      {/if}
      <section class="sheet p-4">
        <PrintChoiceFields
          {choice}
          {limits}
          {change}
          hasSupports={parts.some(({ estimate }) => estimate.supports)}
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
    colour={together.filaments[0]}
    close={() => (starting = undefined)}
  />
{/if}
