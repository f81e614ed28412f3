<script lang="ts">
  import GripVertical from '@lucide/svelte/icons/grip-vertical';
  import { inHours } from '@kelbrin/core/inspect';
  import type { SubmitFunction } from '@sveltejs/kit';
  import { Button } from 'flowbite-svelte';
  import WaiverList from '$lib/review/WaiverList.svelte';
  import type { printersNow } from '$lib/server/printing/printRoom';
  import { mayBeLaid, type QueueRow } from '$lib/shared/queue/queueRow';
  import { queueTexts as say } from '$lib/texts/queue';
  import ColourList from '$lib/ui/ColourList.svelte';
  import { enhance } from '$lib/ui/enhance';
  import { shortDay } from '$lib/ui/times';
  import PrintMenu from '../PrintMenu.svelte';

  /** One part of the queue, with what can be done with it. */
  interface Props {
    row: QueueRow;
    printers: Awaited<ReturnType<typeof printersNow>>;
    isTeacher: boolean;
    isChosen: boolean;
    /** Whether it can be put somewhere else by hand. */
    isMovable: boolean;
    /** With the Shift key held, all from the one that was chosen before up to this one. */
    choose(isWithAllBefore: boolean): void;
    /** Takes the part up to be dragged, or lays it down where it was. */
    drag(isTaken: boolean): void;
    nudge(event: KeyboardEvent): void;
    start(printer: string): void;
    told: SubmitFunction;
  }
  let { row, printers, isTeacher, isChosen, isMovable, choose, drag, nudge, start, told }: Props = $props();

  let isShift = false;
</script>

{#if isMovable}
  <button
    type="button"
    class="text-ink-soft cursor-grab p-1"
    draggable="true"
    aria-label={say.move(row.student)}
    title={say.move(row.student)}
    ondragstart={() => drag(true)}
    ondragend={() => drag(false)}
    onkeydown={nudge}><GripVertical size={16} /></button
  >
{:else}
  <span class="w-6"></span>
{/if}
<input
  type="checkbox"
  class="rounded"
  checked={isChosen}
  aria-label={say.choose(row.student, row.copy)}
  onclick={({ shiftKey }) => (isShift = shiftKey)}
  onchange={() => choose(isShift)}
/>
<img src="/picture/entry/{row.id}?row" alt="" width="80" height="50" class="h-[50px] w-20" />
<div class="min-w-0 flex-1 basis-48">
  <strong>{row.student}</strong>
  <span class="text-ink-soft">{row.part}{row.copies > 1 ? `, ${say.copy(row.copy, row.copies)}` : ''}</span>
  <p class="text-ink-soft truncate text-sm">
    {row.className}, {row.brief}{row.dueOn ? `, ${say.dueOn(shortDay(row.dueOn))}` : ''}
  </p>
  <WaiverList waivers={row.waivers} />
  {#if row.doubt}<p class="text-fail text-sm">{row.doubt}</p>{/if}
</div>
<div class="w-36 shrink-0 text-sm">
  <span class="measured">{inHours(row.seconds)}</span>,
  <span class="measured">{row.grams.toFixed(1)}</span> g
  <div class="flex items-center gap-2">
    <span class="text-ink-soft">{row.material}</span>
    <ColourList colours={row.colours} isShort />
  </div>
</div>
<div class="ml-auto flex items-center justify-end gap-2 lg:w-64">
  {#if row.state === 'held'}<span class="text-warn-ink">{say.isHeld}</span>{/if}
  {#if mayBeLaid(row)}
    <PrintMenu entry={row} {printers} {start} />
  {/if}
  {#if row.state !== 'out'}
    <form method="POST" action="?/hold" use:enhance={told}>
      <input type="hidden" name="entry" value={row.id} />
      <Button
        type="submit"
        size="xs"
        color="alternative"
        name="held"
        value={row.state === 'held' ? 'no' : 'yes'}>{row.state === 'held' ? say.release : say.hold}</Button
      >
    </form>
  {/if}
  {#if isTeacher}
    <form method="POST" action="?/drop" use:enhance={told}>
      <input type="hidden" name="entry" value={row.id} />
      <Button
        type="submit"
        size="xs"
        color="alternative"
        name="dropped"
        value={row.state === 'out' ? 'no' : 'yes'}>{row.state === 'out' ? say.putBack : say.drop}</Button
      >
    </form>
  {/if}
</div>
