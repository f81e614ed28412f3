<script lang="ts">
  import { inHours } from '@kelbrin/core/inspect';
  import type { ComponentProps } from 'svelte';
  import { enhance } from '$lib/ui/enhance';
  import CircleCheck from '@lucide/svelte/icons/circle-check';
  import CircleSlash from '@lucide/svelte/icons/circle-slash';
  import CircleX from '@lucide/svelte/icons/circle-x';
  import { Button } from 'flowbite-svelte';
  import Dialog from '$lib/ui/Dialog.svelte';
  import SpoolChip from '$lib/printroom/SpoolChip.svelte';
  import WaiverList from '$lib/review/WaiverList.svelte';
  import AskFirst from '$lib/ui/AskFirst.svelte';
  import { clockTime } from '$lib/ui/times';
  import FilamentChange from './FilamentChange.svelte';
  import RunByHand from './RunByHand.svelte';
  import TemperatureTrend from './TemperatureTrend.svelte';
  import { namesOf } from './partsInWords';
  import ColourList from '$lib/ui/ColourList.svelte';
  import { filamentTexts } from '$lib/texts/filament';
  import type { spoolsOf } from '$lib/server/printers/spools';
  import type { SchoolDay } from '$lib/shared/schoolDay';
  import Care from './Care.svelte';
  import DayLane from './DayLane.svelte';
  import type { printersWithRuns } from '$lib/server/printing/printRoom';
  import { growTexts } from '$lib/texts/grow';
  import { printRoomTexts as say } from '$lib/texts/printRoom';

  type Printer = Awaited<ReturnType<typeof printersWithRuns>>[number] & {
    planned: ComponentProps<typeof DayLane>['planned'];
  };
  interface Props {
    printer: Printer;
    day: SchoolDay;
    spools: Awaited<ReturnType<typeof spoolsOf>>;
    care: ComponentProps<typeof Care>['care'];
    careBook: ComponentProps<typeof Care>['book'];
  }
  let { printer, day, spools, care, careBook }: Props = $props();

  const { run, status } = $derived(printer);
  /** What is to be printed here once the plate is clear. */
  const next = $derived(printer.planned.at(0));
  const percent = $derived(Math.floor((run?.progress ?? 0) * 100));
  const isHeating = $derived(
    run?.state === 'printing' &&
      status !== null &&
      status.nozzleTargetC > 0 &&
      status.nozzleC < status.nozzleTargetC - 3,
  );
  const doing = $derived.by(() => {
    if (!status?.online) return say.offline;
    if (!run && printer.change) return say.changing;
    if (!run) return printer.onPlate ? say.toClear : say.free;
    if (run.cancelAskedAt) return say.stopping;
    if (run.state === 'preparing') return say.slicing(run.prepared);
    if (run.state === 'sending') return printer.byHand ? say.toBegin : say.sending(run.prepared);
    if (run.pausedFor) return say.paused;
    return isHeating ? say.heating : say.printing;
  });
  /** Whether the printer can be told what to do with its run. */
  const isSteerable = $derived(run?.state === 'printing' && status?.online && !printer.byHand);
  let isChanging = $state(false);
  // Once a change is under way its wish is fulfilled: when it is over, nothing is asked again.
  $effect(() => {
    if (printer.change) isChanging = false;
  });
  /** Filament can be changed while the printer is free or stands still for it. */
  const isChangeable = $derived(
    status?.online && (!run || run.pausedFor === 'filament' || run.pausedFor === 'runout'),
  );
  const endings = {
    finished: { words: say.finished, icon: CircleCheck, tone: 'text-pass' },
    failed: { words: say.failed, icon: CircleX, tone: 'text-fail' },
    cancelled: { words: say.cancelled, icon: CircleSlash, tone: 'text-ink-soft' },
  };
  /** Up to this share of a run its first layer can still be judged. */
  const FIRST_LAYER = 0.25;
  let isFirstBad = $state(false);
  const wanted = (targetC: number) => (targetC > 0 ? say.ofDegrees(targetC) : '');
</script>

{#snippet pictures(parts: NonNullable<Printer['run']>['parts'])}
  <div class="grid w-40 content-start gap-1 {parts.length > 1 ? 'grid-cols-2' : ''}">
    {#each parts.slice(0, 6) as part (part.entryId)}
      <img
        src="/picture/hand-in/{part.handInId}"
        alt={part.name}
        class="border-hairline w-full rounded border"
      />
    {/each}
  </div>
{/snippet}

<section
  class="sheet mb-5 overflow-hidden"
  aria-label={say.printer(printer.name)}
  data-printer={printer.name}
>
  <header class="border-hairline flex flex-wrap items-center gap-x-4 gap-y-1 border-b px-5 py-3">
    <h2>{printer.name}</h2>
    <span class="text-ink-soft">{printer.model}</span>
    {#each printer.places as spool, place (place)}
      <span class="inline-flex items-center gap-2"
        ><SpoolChip {spool} place={printer.places.length > 1 ? place : undefined} /></span
      >
    {/each}
    {#if isChangeable && !printer.change && !isChanging}
      <Button size="xs" color="alternative" onclick={() => (isChanging = true)}>{filamentTexts.open}</Button>
    {/if}
    <!-- What it does and how warm it is stay together, at the end of whichever line there is room in. -->
    <span class="ml-auto flex flex-wrap items-center justify-end gap-x-4 gap-y-1">
      <span class="font-semibold {status?.online ? '' : 'text-fail'}" data-testid="doing">{doing}</span>
      {#if status?.online && !printer.byHand}
        {#if printer.trend.length > 2}<TemperatureTrend trend={printer.trend} />{/if}
        <span class="text-sm"
          >{say.nozzle} <span class="measured">{status.nozzleC}°{wanted(status.nozzleTargetC)}</span></span
        >
        <span class="text-sm"
          >{say.plate} <span class="measured">{status.bedC}°{wanted(status.bedTargetC)}</span></span
        >
      {/if}
    </span>
  </header>

  <DayLane
    {day}
    planned={printer.planned}
    runs={[...printer.past, ...(run ? [run] : [])]}
    name={printer.name}
  />

  {#if printer.hotSince && status?.online}
    <p role="alert" class="border-warn bg-warn-wash border-l-4 px-5 py-2">
      {say.hot(clockTime(printer.hotSince))}
    </p>
  {/if}
  {#if printer.change || (isChanging && isChangeable)}
    <div class="border-hairline border-b p-5"><FilamentChange {printer} {spools} /></div>
  {/if}

  <div class="grid gap-6 p-5 md:grid-cols-[1fr_320px]">
    {#if run}
      <div class="flex gap-5 max-sm:flex-col" data-run={run.state}>
        {@render pictures(run.parts)}
        <div class="flex flex-1 flex-col gap-2">
          <strong>{namesOf(run.parts)}</strong>
          <a class="text-ink-soft underline underline-offset-2" href="/batch/{run.batchId}"
            >{say.batch(run.batch, run.parts.length)}</a
          >
          {#if run.state === 'printing'}
            <a class="text-primary-800 text-sm underline underline-offset-2" href="/grow/{run.id}"
              >{growTexts.watch}</a
            >
          {/if}
          {#if status && !status.online && printer.seenAt}
            <p role="alert" class="border-fail bg-fail-wash border-l-4 px-3 py-2">
              {say.silent(clockTime(printer.seenAt))}
            </p>
          {:else if run.pausedFor}
            <p role="alert" class="border-warn bg-warn-wash border-l-4 px-3 py-2">
              {say.whyPaused[run.pausedFor]}
              {#if run.pausedFor === 'filament' && run.filaments.length > 1}
                <ColourList colours={run.filaments.slice(1)} />
              {/if}
            </p>
          {/if}
          {#if printer.byHand && run.state !== 'preparing'}
            <RunByHand {run} name={printer.name} card={printer.byHand.card} />
          {/if}
          <WaiverList waivers={run.parts.flatMap(({ waivers }) => waivers)} />
          <div
            class="border-hairline bg-ground relative h-4 overflow-hidden rounded border"
            role="progressbar"
            aria-label={say.progressOf(namesOf(run.parts))}
            aria-valuemin="0"
            aria-valuemax="100"
            aria-valuenow={percent}
          >
            <div
              class="bg-primary-700 h-full transition-[width] duration-700"
              style="width: {percent}%"
            ></div>
          </div>
          <div class="flex flex-wrap items-center gap-2 text-sm">
            <span class="w-full">
              <span class="measured" data-testid="percent">{percent}</span> %, {#if run.layer && run.layer.at > 0}{say.layer(
                  run.layer.at,
                  run.layer.of,
                )},{/if}
              {say.about}
              <span class="measured">{inHours(run.estimateS * (1 - run.progress))}</span>
              {say.left}{#if printer.spool && printer.places.length === 1}; {say.spoolLeft(
                  run.grams * (1 - run.progress),
                  printer.spool.gramsLeft,
                )}{/if}
            </span>
            {#if isSteerable}
              <form method="POST" action="?/{run.pausedFor ? 'resume' : 'pause'}" use:enhance class="ml-auto">
                <input type="hidden" name="run" value={run.id} />
                <Button type="submit" size="xs" color="alternative" disabled={run.wish !== null}
                  >{run.pausedFor ? say.resume : say.pause}</Button
                >
              </form>
              {#if run.progress < FIRST_LAYER}
                <Button size="xs" color="alternative" onclick={() => (isFirstBad = true)}
                  >{say.firstBad}</Button
                >
              {/if}
            {/if}
            <AskFirst
              label={status?.online ? say.cancel : say.giveUp}
              title={say.cancelTitle(run.batch)}
              what={printer.byHand ? say.cancelByHand(printer.name) : say.cancelWhat(percent)}
              action="?/cancel"
              fields={{ run: run.id }}
              class={isSteerable ? '' : 'ml-auto'}
              disabled={run.cancelAskedAt !== null}
            />
          </div>
        </div>
      </div>
    {:else if printer.onPlate}
      {@const lies = printer.onPlate}
      <div class="flex gap-5" data-testid="on-plate">
        {@render pictures(lies.parts)}
        <form method="POST" action="?/clear" use:enhance class="flex flex-1 flex-col items-start gap-2">
          <strong>{say.lies(lies.batch, namesOf(lies.parts))}</strong>
          <p>{say.clearFirst}</p>
          {#if next}<p class="text-ink-soft">{say.nextWaits(next.number)}</p>{/if}
          <span class="flex gap-2">
            <input type="hidden" name="printer" value={printer.id} />
            <Button type="submit" size="xs">{say.isClear}</Button>
            <Button href="/batch/{lies.batchId}" size="xs" color="alternative">{say.noteOutcome}</Button>
          </span>
        </form>
      </div>
    {:else if next}
      <p class="flex flex-wrap items-center gap-3 self-center">
        {say.nextReady(next.number)}
        <Button href="/batch/{next.id}" size="xs">{say.openNext}</Button>
      </p>
    {:else}
      <p class="text-ink-soft self-center">{say.nothingOn}</p>
    {/if}

    <div>
      <h3 class="mb-1 text-sm font-semibold">{say.before}</h3>
      <ul class="text-sm">
        {#each printer.past as past (past.id)}
          {@const { words, icon: Icon, tone } = endings[past.state as keyof typeof endings]}
          <li class="border-hairline flex items-center gap-2 border-t py-1" title={past.problem}>
            <span class="measured text-ink-soft">{clockTime(past.endedAt ?? past.startedAt)}</span>
            <a class="underline-offset-2 hover:underline" href="/batch/{past.batchId}"
              >{namesOf(past.parts)}</a
            >
            <span class="ml-auto inline-flex items-center gap-1 {tone}"
              ><Icon size={14} aria-hidden="true" />{words}</span
            >
          </li>
        {:else}
          <li class="text-ink-soft">{say.noRuns}</li>
        {/each}
      </ul>
      <Care {printer} {care} book={careBook} />
    </div>
  </div>
</section>

{#if isFirstBad && run}
  <Dialog title={say.firstTitle} size="md" onclose={() => (isFirstBad = false)}>
    <dl class="flex flex-col gap-3">
      {#each say.firstFaults as [what, help] (what)}
        <div>
          <dt class="font-semibold">{what}</dt>
          <dd>{help}</dd>
        </div>
      {/each}
    </dl>
    <form method="POST" action="?/cancel" use:enhance class="flex justify-end gap-2">
      <input type="hidden" name="run" value={run.id} />
      <Button type="button" color="alternative" onclick={() => (isFirstBad = false)}>{say.goOn}</Button>
      <Button type="submit" onclick={() => (isFirstBad = false)}>{say.cancel}</Button>
    </form>
  </Dialog>
{/if}
