<script lang="ts">
  import { formatMeasured, type Amount } from '@kelbrin/core/recipe';
  import { readAmount } from '$lib/ui/dimension';
  import { cssPx, type Px } from '$lib/ui/solidView/outlook';

  /** The figure of a dimension line while it is typed over, where it stands. */
  interface Props {
    label: string;
    at: Px;
    mm: number;
    /** What was typed already; the figure as it is when left out. */
    first?: string;
    measures: ReadonlyMap<string, number>;
    ontyped(length: Amount, worthMm: number): void;
    onclose(): void;
  }
  let { label, at, mm, first, measures, ontyped, onclose }: Props = $props();

  // svelte-ignore state_referenced_locally
  let written = $state(first ?? formatMeasured(mm));
  let problem = $state<string>();
  // svelte-ignore state_referenced_locally
  const before = { mm, take: ontyped };
  /** Taking the field away blurs it, which is no second taking. */
  let isOver = false;

  function close(): void {
    isOver = true;
    onclose();
  }

  function take(): void {
    if (isOver) return;
    const read = readAmount(written, { unit: 'mm', min: 0, max: 1000, measures });
    if (!read.ok) return void (problem = read.message);
    close();
    if (Math.abs(read.worth - before.mm) > 0.001 || typeof read.amount !== 'number')
      before.take(read.amount, read.worth);
  }

  function onkeydown(event: KeyboardEvent): void {
    event.stopPropagation();
    if (event.key === 'Escape') close();
  }

  function begin(input: HTMLInputElement): void {
    input.focus();
    if (first === undefined) input.select();
    else input.setSelectionRange(first.length, first.length);
  }
</script>

<form
  class="pointer-events-auto absolute flex -translate-x-1/2 -translate-y-1/2 items-center gap-1 rounded border bg-white px-1.5 py-1 text-sm shadow"
  style:left={cssPx(at[0])}
  style:top={cssPx(at[1])}
  onsubmit={(event) => (event.preventDefault(), take())}
>
  <input
    class="measured w-16 px-1 py-0.5"
    aria-label={label}
    aria-invalid={problem !== undefined}
    bind:value={written}
    {@attach begin}
    {onkeydown}
    onblur={take}
  />
  mm
  {#if problem}<p role="alert" class="text-fail max-w-40">{problem}</p>{/if}
</form>
