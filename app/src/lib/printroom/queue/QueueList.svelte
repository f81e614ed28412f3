<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import type { SubmitFunction } from '@sveltejs/kit';
  import { tick } from 'svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import type { printersNow } from '$lib/server/printing/printRoom';
  import type { QueueRow } from '$lib/shared/queue/queueRow';
  import { groupsOf, type Facet, type Group } from '$lib/shared/queue/queueView';
  import { queueTexts as say } from '$lib/texts/queue';
  import { WindowRows } from '$lib/ui/windowRows.svelte';
  import { facetWords } from './facetWords';
  import QueueLine from './QueueLine.svelte';

  /** The parts that are looked at, of which those in sight are drawn. */
  interface Props {
    rows: readonly QueueRow[];
    group: Facet | undefined;
    printers: Awaited<ReturnType<typeof printersNow>>;
    isTeacher: boolean;
    chosen: SvelteSet<string>;
    /** Puts a part before another, or last. */
    put(id: string, before: string | undefined): Promise<void>;
    /** A part is dragged from now on, or no more. */
    hold(isDragged: boolean): void;
    /** Asks what has to be looked at before a part is started on a printer. */
    start(entry: string, printer: string): void;
    told: SubmitFunction;
  }
  let { rows, group, printers, isTeacher, chosen, put, hold, start, told }: Props = $props();

  /** The heights of a part and of a group’s head, px, before they are measured. */
  const LINE_PX = 67;
  const HEAD_PX = 41;

  type Item = { readonly head: Group } | { readonly row: QueueRow };
  /** The groups that are closed. */
  const closed = new SvelteSet<string>();
  const items = $derived.by((): Item[] =>
    group
      ? groupsOf(rows, group).flatMap((head) => [
          { head },
          ...(closed.has(head.value) ? [] : head.rows.map((row) => ({ row }))),
        ])
      : rows.map((row) => ({ row })),
  );
  const keyOf = (item: Item) => ('row' in item ? item.row.id : `group:${item.head.value}`);
  const indexOf = (id: string | undefined) => items.findIndex((item) => 'row' in item && item.row.id === id);

  let dragged = $state<string>();
  let target = $state<string>();
  /** The part that has the focus in it; it stays while the page is scrolled. */
  let focused = $state<string>();
  let list = $state<HTMLElement>();
  let topPx = $state(0);
  $effect(() => {
    // Whatever stands above the list may grow.
    const look = () => (topPx = list!.getBoundingClientRect().top + scrollY);
    const watch = new ResizeObserver(look);
    watch.observe(document.body);
    look();
    return () => watch.disconnect();
  });
  const drawn = new WindowRows(() => ({
    count: items.length,
    key: (index) => keyOf(items[index]),
    heightPx: (index) => ('row' in items[index] ? LINE_PX : HEAD_PX),
    topPx,
    kept: [dragged, focused].map(indexOf).filter((index) => index !== -1),
  }));

  let last: string | undefined;
  function choose(id: string, isWithAllBefore: boolean) {
    const isChosen = !chosen.has(id);
    const ids = rows.map((row) => row.id);
    const [from, to] = [ids.indexOf(last ?? id), ids.indexOf(id)].toSorted((a, b) => a - b);
    const range = isWithAllBefore && from !== -1 ? ids.slice(from, to + 1) : [id];
    for (const each of range) {
      if (isChosen) chosen.add(each);
      else chosen.delete(each);
    }
    last = id;
  }

  /** Moves a part one place among those that are shown. */
  async function nudge(event: KeyboardEvent, id: string) {
    const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    const at = rows.findIndex((row) => row.id === id);
    if (at + by < 0 || at + by >= rows.length) return;
    const grip = event.currentTarget as HTMLElement;
    const moving = put(id, rows[by === 1 ? at + 2 : at - 1]?.id);
    await tick();
    // A row that changes its place loses the focus.
    grip.focus();
    grip.scrollIntoView({ block: 'nearest' });
    await moving;
  }

  function drop(event: DragEvent, before: string) {
    event.preventDefault();
    if (dragged && dragged !== before) void put(dragged, before);
    dragged = target = undefined;
  }
</script>

<ul
  class="sheet mb-8 overflow-hidden"
  aria-label={say.list}
  bind:this={list}
  style="height: {drawn.heightPx}px"
  onfocusin={({ target }) => (focused = (target as Element).closest<HTMLElement>('[data-id]')?.dataset.id)}
  onfocusout={() => (focused = undefined)}
>
  {#each drawn.seen as { index, key, gapPx } (key)}
    {@const item = items[index]}
    {#if 'row' in item}
      {@const { row } = item}
      <li
        class="border-hairline flex min-h-[67px] flex-wrap items-center gap-x-3 gap-y-1 border-b px-2 py-2 {target ===
          row.id && dragged !== row.id
          ? 'shadow-[inset_0_2px] shadow-primary-700'
          : ''}"
        style="margin-top: {gapPx}px"
        data-index={index}
        data-id={row.id}
        data-entry={row.student}
        aria-setsize={items.length}
        aria-posinset={index + 1}
        use:drawn.measured
        ondragover={(event) => {
          if (!dragged) return;
          event.preventDefault();
          target = row.id;
        }}
        ondrop={(event) => drop(event, row.id)}
      >
        <QueueLine
          {row}
          {printers}
          {isTeacher}
          {told}
          isChosen={chosen.has(row.id)}
          isMovable={!group && row.state !== 'out'}
          choose={(isWithAllBefore) => choose(row.id, isWithAllBefore)}
          drag={(isTaken) => {
            dragged = isTaken ? row.id : undefined;
            hold(isTaken);
          }}
          nudge={(event) => nudge(event, row.id)}
          start={(printer) => start(row.id, printer)}
        />
      </li>
    {:else}
      {@const { head } = item}
      {@const words = facetWords(group!, head.value)}
      {@const isAll = head.rows.every(({ id }) => chosen.has(id))}
      <li
        class="border-hairline bg-paper flex min-h-[41px] items-center gap-3 border-b px-2 py-2"
        style="margin-top: {gapPx}px"
        data-index={index}
        data-group={head.value}
        use:drawn.measured
      >
        <button
          type="button"
          class="p-1"
          aria-expanded={!closed.has(head.value)}
          aria-label={say.openGroup(words)}
          onclick={() => (closed.has(head.value) ? closed.delete(head.value) : closed.add(head.value))}
        >
          {#if closed.has(head.value)}<ChevronRight size={16} />{:else}<ChevronDown size={16} />{/if}
        </button>
        <input
          type="checkbox"
          class="rounded"
          aria-label={say.chooseGroup(words)}
          checked={isAll}
          indeterminate={!isAll && head.rows.some(({ id }) => chosen.has(id))}
          onchange={() => {
            for (const { id } of head.rows) {
              if (isAll) chosen.delete(id);
              else chosen.add(id);
            }
          }}
        />
        <strong class="truncate">{words}</strong>
        <span class="text-ink-soft measured ml-auto text-sm whitespace-nowrap"
          >{say.group(head.rows.length, head.seconds, head.grams)}</span
        >
      </li>
    {/if}
  {/each}
</ul>
