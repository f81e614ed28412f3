<script lang="ts">
  import ColourList from '$lib/ui/ColourList.svelte';
  import { inHours } from '@kelbrin/core/inspect';
  import { tick } from 'svelte';
  import { enhance } from '$lib/ui/enhance';
  import { invalidate } from '$app/navigation';
  import GripVertical from '@lucide/svelte/icons/grip-vertical';
  import {
    Button,
    Table,
    TableBody,
    TableBodyCell,
    TableBodyRow,
    TableHead,
    TableHeadCell,
  } from 'flowbite-svelte';
  import PrintMenu from './PrintMenu.svelte';
  import WaiverList from '$lib/review/WaiverList.svelte';
  import { LIVE } from '$lib/live/follow.svelte';
  import { shortDay } from '$lib/ui/times';
  import { queueTexts as say } from '$lib/texts/queue';
  import type { printersWithRuns } from '$lib/server/printing/printRoom';
  import type { queue } from '$lib/server/printing/queue/queue';

  type Entry = Awaited<ReturnType<typeof queue>>[number];
  interface Props {
    /** What waits, in its order; and of it, what may be printed. */
    waiting: Entry[];
    free: Entry[];
    printers: Awaited<ReturnType<typeof printersWithRuns>>;
    chosen: string[];
    isTeacher: boolean;
    /** Asks what has to be looked at before a part is started on a printer. */
    start(entry: string, printer: string): void;
  }
  let { waiting, free, printers, chosen = $bindable(), isTeacher, start }: Props = $props();

  /** The order that is on its way to the server. */
  let moved = $state.raw<string[]>();
  let dragged = $state<string>();
  let target = $state<string>();
  const shown = $derived(
    moved ? waiting.toSorted((a, b) => moved!.indexOf(a.id) - moved!.indexOf(b.id)) : waiting,
  );

  /** Puts a part where another is, and whatever is from there on one further. */
  async function moveTo(id: string, place: number) {
    const ids = shown.map((entry) => entry.id);
    if (place < 0 || place >= ids.length) return;
    ids.splice(ids.indexOf(id), 1);
    ids.splice(place, 0, id);
    moved = ids;
    const body = new FormData();
    for (const each of ids) body.append('entry', each);
    await fetch('?/order', { method: 'POST', body });
    await invalidate(LIVE);
    if (moved === ids) moved = undefined;
  }

  async function nudge(event: KeyboardEvent, id: string, place: number) {
    const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    const grip = event.currentTarget as HTMLElement;
    const moving = moveTo(id, place + by);
    await tick();
    // A row that changes its place loses the focus.
    grip.focus();
    await moving;
  }
</script>

<div class="sheet mb-8 overflow-hidden">
  <Table>
    <TableHead>
      <TableHeadCell class="w-6 px-1"></TableHeadCell>
      <TableHeadCell class="w-10">
        <input
          type="checkbox"
          class="rounded"
          aria-label={say.chooseAll}
          checked={free.length > 0 && free.every(({ id }) => chosen.includes(id))}
          onchange={({ currentTarget }) => (chosen = currentTarget.checked ? free.map(({ id }) => id) : [])}
        />
      </TableHeadCell>
      <TableHeadCell>{say.part}</TableHeadCell>
      <TableHeadCell>{say.student}</TableHeadCell>
      <TableHeadCell>{say.class}</TableHeadCell>
      <TableHeadCell>{say.takes}</TableHeadCell>
      <TableHeadCell>{say.due}</TableHeadCell>
      <TableHeadCell><span class="sr-only">{say.actions}</span></TableHeadCell>
    </TableHead>
    <TableBody>
      {#each shown as entry, place (entry.id)}
        <TableBodyRow
          data-entry={entry.student}
          class={target === entry.id && dragged !== entry.id ? 'border-t-primary-700 border-t-2' : ''}
          ondragover={(event: DragEvent) => {
            if (!dragged) return;
            event.preventDefault();
            target = entry.id;
          }}
          ondrop={(event: DragEvent) => {
            event.preventDefault();
            if (dragged && dragged !== entry.id) void moveTo(dragged, place);
          }}
        >
          <TableBodyCell class="px-1">
            <button
              type="button"
              class="text-ink-soft cursor-grab p-1"
              draggable="true"
              aria-label={say.move(entry.student)}
              title={say.move(entry.student)}
              ondragstart={() => (dragged = entry.id)}
              ondragend={() => (dragged = target = undefined)}
              onkeydown={(event) => nudge(event, entry.id, place)}><GripVertical size={16} /></button
            >
          </TableBodyCell>
          <TableBodyCell>
            <input
              type="checkbox"
              form="lay"
              name="entry"
              value={entry.id}
              bind:group={chosen}
              class="rounded"
              disabled={entry.heldAt !== null || entry.doubt !== null}
              aria-label={say.choose(entry.student, entry.copy)}
            />
          </TableBodyCell>
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
            <span class="measured">{inHours(entry.estimate.seconds)}</span>,
            <span class="measured">{entry.estimate.grams.toFixed(1)}</span> g
            {#if entry.colours.length > 0}
              <div><ColourList colours={entry.colours.map(({ colour }) => colour)} isShort /></div>
            {/if}
          </TableBodyCell>
          <TableBodyCell>{entry.dueOn ? shortDay(entry.dueOn) : ''}</TableBodyCell>
          <TableBodyCell>
            <div class="flex flex-wrap items-center gap-2">
              {#if entry.heldAt}
                <span class="text-warn-ink">{say.isHeld}</span>
              {:else}
                <PrintMenu {entry} {printers} start={(printer) => start(entry.id, printer)} />
              {/if}
              <form method="POST" action="?/hold" use:enhance>
                <input type="hidden" name="entry" value={entry.id} />
                <Button
                  type="submit"
                  size="xs"
                  color="alternative"
                  name="held"
                  value={entry.heldAt ? 'no' : 'yes'}>{entry.heldAt ? say.release : say.hold}</Button
                >
              </form>
              {#if isTeacher}
                <form method="POST" action="?/drop" use:enhance>
                  <input type="hidden" name="entry" value={entry.id} />
                  <Button type="submit" size="xs" color="alternative" name="dropped" value="yes"
                    >{say.drop}</Button
                  >
                </form>
              {/if}
            </div>
          </TableBodyCell>
        </TableBodyRow>
      {/each}
    </TableBody>
  </Table>
</div>
