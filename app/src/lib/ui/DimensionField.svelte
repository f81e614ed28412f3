<script lang="ts">
  import { fieldTexts as say } from '$lib/texts/field';
  import { amountWords, formatNumber, isFormula, type Amount, type Unit } from '@kelbrin/core/recipe';
  import { nudged, readAmount } from './dimension';

  interface Props {
    value: Amount;
    /** What a formula is worth now; undefined while it cannot be worked out. */
    worth?: number;
    label: string;
    unit?: Unit;
    min: number;
    max: number;
    /** What one press of an arrow key, or a few pixels of dragging, adds. */
    nudge: number;
    /** The measures that can be used. */
    measures?: ReadonlyMap<string, number>;
    /** Whether the unit is left out, where a heading says it. */
    bare?: boolean;
    /** What is wrong with the value where it stands, if anything. */
    problem?: string;
    /** A new value; those of one drag come with the same number. */
    onchange(value: Amount, gesture?: number): void;
    onproblem(message: string | undefined): void;
  }
  let {
    value,
    worth,
    label,
    unit = 'mm',
    min,
    max,
    nudge,
    measures = new Map(),
    bare = false,
    problem,
    onchange,
    onproblem,
  }: Props = $props();

  /** Pixels of dragging that count as one step. */
  const DRAG_PX = 4;

  let typed = $state<string>();
  let drag: { x: number; from: number; moved: boolean; gesture: number } | undefined;
  const number = $derived(isFormula(value) ? worth : value);
  const shown = $derived(typed ?? (isFormula(value) ? value.formula : formatNumber(value)));
  const hint = $derived(
    isFormula(value)
      ? `${label}: ${worth === undefined ? say.notKnown : amountWords(worth, unit)}`
      : say.howToChange(label),
  );

  function factor(event: KeyboardEvent | PointerEvent): number {
    // Things are counted one by one.
    if (unit === '') return event.shiftKey ? 10 : 1;
    return event.shiftKey ? 10 : event.altKey ? 0.1 : 1;
  }

  function commit(): void {
    if (typed === undefined) return;
    const read = readAmount(typed, { unit, min, max, measures });
    if (!read.ok) return onproblem(read.message);
    typed = undefined;
    onproblem(undefined);
    if (JSON.stringify(read.amount) !== JSON.stringify(value)) onchange(read.amount);
  }

  function onkeydown(event: KeyboardEvent & { currentTarget: HTMLInputElement }): void {
    const way = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
    if (way !== 0) {
      event.preventDefault();
      commit();
      // A formula is changed by writing it, so that no measure is lost by a slip of the hand.
      if (!isFormula(value)) onchange(nudged(value, way * nudge * factor(event), min, max));
    } else if (event.key === 'Enter') {
      // Enter ends the number; a form around it is sent by its button.
      event.preventDefault();
      commit();
      event.currentTarget.select();
    } else if (event.key === 'Escape') {
      typed = undefined;
      onproblem(undefined);
    }
  }

  function onpointerdown(event: PointerEvent & { currentTarget: HTMLInputElement }): void {
    // Captured from the press on: a quick hand has left so small a field with its first move.
    event.currentTarget.setPointerCapture(event.pointerId);
    drag = { x: event.clientX, from: number ?? 0, moved: false, gesture: performance.now() };
  }

  function onpointermove(event: PointerEvent): void {
    if (!drag || isFormula(value)) return;
    const steps = Math.trunc((event.clientX - drag.x) / DRAG_PX);
    if (!drag.moved && Math.abs(event.clientX - drag.x) < DRAG_PX) return;
    drag.moved = true;
    const next = nudged(drag.from, steps * nudge * factor(event), min, max);
    if (next !== value) onchange(next, drag.gesture);
  }

  function onpointerup(event: PointerEvent & { currentTarget: HTMLInputElement }): void {
    // A press without a drag is a wish to type.
    if (drag && !drag.moved) event.currentTarget.select();
    drag = undefined;
  }
</script>

<span class="whitespace-nowrap">
  <input
    class="measured field"
    class:wrong={problem !== undefined}
    size={Math.max(1, shown.length)}
    type="text"
    inputmode={isFormula(value) ? 'text' : 'decimal'}
    role="spinbutton"
    aria-label={label}
    aria-valuenow={number}
    aria-valuemin={min}
    aria-valuemax={max}
    aria-valuetext={isFormula(value) ? value.formula : undefined}
    aria-invalid={problem !== undefined}
    title={problem ?? hint}
    value={shown}
    oninput={(event) => (typed = event.currentTarget.value)}
    onblur={commit}
    {onkeydown}
    {onpointerdown}
    {onpointermove}
    {onpointerup}
    onpointercancel={() => (drag = undefined)}
  />{#if unit && !bare}<span class="measured text-ink-soft text-sm" class:ml-0.5={unit === 'mm'}>{unit}</span
    >{/if}
</span>

<style>
  .field {
    min-width: 2.2ch;
    padding: 0 0.25ch;
    border: 0;
    border-bottom: 1.5px dotted var(--color-primary-700);
    border-radius: 0;
    background: none;
    color: var(--color-primary-800);
    font-size: 0.95em;
    line-height: 1.5;
    text-align: center;
    cursor: ew-resize;
    touch-action: pan-y;
    field-sizing: content;
  }
  .field:focus {
    background: var(--color-primary-50);
    cursor: text;
    box-shadow: none;
  }
  .field.wrong {
    border-bottom: 2px solid var(--color-fail);
    color: var(--color-fail);
  }
</style>
