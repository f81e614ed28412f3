<script lang="ts">
  import RollDots from '$lib/printroom/RollDots.svelte';
  import { colourName, hexOf } from '@kelbrin/core/colours';
  import type { PlannedBatchView, WeekView } from '$lib/shared/weekView';
  import { weekPlanTexts as say } from '$lib/texts/weekPlan';
  import { clockTime, weekday } from '$lib/ui/times';
  import { DayScale, fullHours } from './dayScale';

  /** Each printer along the days, with the batches that are planned for it. */
  interface Props {
    week: WeekView;
    /** The batch that is looked at, by its first part. */
    chosen: string | undefined;
    choose(id: string): void;
    /** Puts a batch at a time on a printer. */
    put(batch: PlannedBatchView, printer: string, atMs: number): void;
  }
  let { week, chosen, choose, put }: Props = $props();

  const HOUR_PX = 62;
  const NIGHT_PX = 92;
  const LANE_PX = 64;
  const HEAD_PX = 40;
  /** A start is snapped to these, ms. */
  const STEP_MS = 300_000;
  /** A pointer that moves no further has pressed, px. */
  const SLACK_PX = 4;
  /** No narrower is a block drawn, so that it can be read and taken, px; nights are too narrow for theirs. */
  const NARROWEST_PX = 14;
  const NARROWEST_WORD_PX = 40;
  const NARROWEST_NIGHT_PX = 84;

  /** Only as many days as something is planned in, and a few more to drag to. */
  const slots = $derived.by(() => {
    const last = Math.max(...week.batches.map(({ toMs }) => toMs), week.nowMs);
    const used = week.attended.findIndex(({ toMs }) => toMs >= last);
    return week.attended.slice(0, Math.max(5, used === -1 ? week.attended.length : used + 2));
  });
  const scale = $derived(new DayScale(slots, HOUR_PX, NIGHT_PX));
  const heightPx = $derived(HEAD_PX + week.lanes.length * LANE_PX);
  const topOf = (printer: string) => HEAD_PX + week.lanes.findIndex(({ id }) => id === printer) * LANE_PX;

  let drag = $state.raw<{ batch: PlannedBatchView; x: number; y: number; dx: number; dy: number }>();
  const isMoved = $derived(drag !== undefined && Math.hypot(drag.dx, drag.dy) > SLACK_PX);

  /** Where a dragged batch would be put. */
  function placeOf({ batch, dx, dy }: NonNullable<typeof drag>) {
    const ms = scale.msAt(scale.pxOf(batch.fromMs) + dx);
    const lane = Math.round((topOf(batch.printer) + dy - HEAD_PX) / LANE_PX);
    const wishedMs = Math.max(week.nowMs, Math.round(ms / STEP_MS) * STEP_MS);
    // Nothing is started while nobody is there.
    const slot = slots.find(({ toMs }) => toMs > wishedMs);
    const atMs = Math.max(wishedMs, slot?.fromMs ?? wishedMs);
    return { atMs, lane: week.lanes[Math.min(Math.max(lane, 0), week.lanes.length - 1)] };
  }

  function down(event: PointerEvent, batch: PlannedBatchView) {
    if (event.button !== 0) return;
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    drag = { batch, x: event.clientX, y: event.clientY, dx: 0, dy: 0 };
  }
  function move(event: PointerEvent) {
    if (drag) drag = { ...drag, dx: event.clientX - drag.x, dy: event.clientY - drag.y };
  }
  function up() {
    if (!drag) return;
    const { lane, atMs } = placeOf(drag);
    if (isMoved) put(drag.batch, lane.id, atMs);
    drag = undefined;
  }

  const hexOfBatch = ({ colour, printer }: PlannedBatchView) =>
    colour ? hexOf(colour) : (week.lanes.find(({ id }) => id === printer)?.rolls[0]?.colour ?? 'transparent');
</script>

<div class="sheet mb-6 flex overflow-hidden">
  <div class="border-hairline shrink-0 border-r" style="padding-top: {HEAD_PX}px">
    {#each week.lanes as lane (lane.id)}
      <div class="flex w-28 flex-col justify-center px-3" style="height: {LANE_PX}px">
        <strong class="truncate">{lane.name}</strong>
        <span class="text-ink-soft flex items-center gap-1.5 text-sm">
          <RollDots rolls={lane.rolls} />
          <span class="truncate">{[...new Set(lane.rolls.map(({ material }) => material))].join(', ')}</span>
        </span>
      </div>
    {/each}
  </div>
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="flex-1 overflow-x-auto" role="group" aria-label={say.scroll} tabindex="0">
    <div class="relative" style="width: {scale.widthPx}px; height: {heightPx}px">
      {#each slots as slot, i (slot.fromMs)}
        {@const left = scale.pxOf(slot.fromMs)}
        {@const width = scale.pxOf(slot.toMs) - left}
        <div
          class="border-hairline absolute top-0 bottom-0 border-l"
          style="left: {left}px; width: {width}px"
        >
          <span class="absolute top-1 left-1 text-sm whitespace-nowrap {width < 90 ? 'sr-only' : ''}"
            ><strong>{weekday(new Date(slot.fromMs))}</strong></span
          >
          {#each fullHours(slot) as hour (hour.getTime())}
            <span
              class="border-hairline text-ink-soft absolute bottom-0 border-l border-dotted pl-0.5 text-xs"
              style="left: {scale.pxOf(hour.getTime()) - left}px; top: {HEAD_PX - 16}px"
              ><span class="absolute -top-0.5 left-0.5">{hour.getHours()}</span></span
            >
          {/each}
        </div>
        {#if i > 0}
          <div
            class="night absolute bottom-0"
            style="left: {left - NIGHT_PX}px; width: {NIGHT_PX}px; top: {HEAD_PX}px"
          ></div>
        {/if}
      {/each}
      {#each week.lanes as lane (lane.id)}
        <div class="border-hairline absolute right-0 left-0 border-t" style="top: {topOf(lane.id)}px"></div>
        {#if lane.busy}
          {@const width = Math.max(scale.pxOf(lane.busy.untilMs), 8)}
          <div
            class="bg-hairline absolute flex items-center overflow-hidden rounded px-1 text-xs"
            style="left: 0; width: {width}px; top: {topOf(lane.id) + 8}px; height: {LANE_PX - 16}px"
            title={say.isBusy(lane.busy.batches.map(say.batch).join(', '))}
          >
            <!-- Too narrow for a word, it is a bar that says so where it is pointed at. -->
            <span class={width < NARROWEST_WORD_PX ? 'sr-only' : 'truncate'}
              >{lane.busy.batches.map(say.batch).join(', ')}</span
            >
          </div>
        {/if}
      {/each}
      {#each week.batches as batch (batch.parts[0].id)}
        {@const isDragged = drag?.batch === batch}
        {@const left = scale.pxOf(batch.fromMs)}
        {@const width = Math.max(
          scale.pxOf(batch.toMs) - left - 2,
          batch.isOvernight ? NARROWEST_NIGHT_PX : NARROWEST_PX,
        )}
        {@const lane = week.lanes.find(({ id }) => id === batch.printer)}
        <button
          type="button"
          class="absolute flex cursor-grab touch-none flex-col overflow-hidden rounded border-l-8 bg-white px-1 text-left text-sm leading-tight shadow-sm ring-1 {batch.isLate
            ? 'ring-fail'
            : 'ring-hairline'} {chosen === batch.parts[0].id ? 'ring-2 ring-primary-700' : ''} {isDragged
            ? 'z-10 opacity-80'
            : ''}"
          style="left: {left + (isDragged ? drag!.dx : 0)}px; width: {width}px; top: {topOf(batch.printer) +
            8 +
            (isDragged ? drag!.dy : 0)}px; height: {LANE_PX - 16}px; border-left-color: {hexOfBatch(batch)}"
          data-batch-of={batch.parts.length}
          data-on={lane?.name}
          data-pinned={batch.pin !== undefined}
          aria-pressed={chosen === batch.parts[0].id}
          aria-label={say.block(
            batch.parts.length,
            lane?.name ?? '',
            weekday(new Date(batch.fromMs)),
            clockTime(new Date(batch.fromMs)),
            clockTime(new Date(batch.toMs)),
          )}
          title={batch.colour ? colourName(batch.colour) : undefined}
          onpointerdown={(event) => down(event, batch)}
          onpointermove={move}
          onpointerup={up}
          onpointercancel={() => (drag = undefined)}
          onclick={() => choose(batch.parts[0].id)}
        >
          {#if isDragged && isMoved}
            {@const place = placeOf(drag!)}
            <strong class="whitespace-nowrap">{place.lane.name}</strong>
            <span class="whitespace-nowrap">{clockTime(new Date(place.atMs))}</span>
          {:else}
            <strong class="truncate">{say.parts(batch.parts.length)}</strong>
            <span class="text-ink-soft truncate"
              >{batch.isOvernight ? say.night : clockTime(new Date(batch.fromMs))}</span
            >
          {/if}
        </button>
      {/each}
    </div>
  </div>
</div>

<style>
  .night {
    background: repeating-linear-gradient(-45deg, transparent 0 5px, var(--color-hairline) 5px 6px);
  }
</style>
