<script lang="ts">
  import type { Unit } from '@kelbrin/core/recipe';
  import { readNumber, writtenNumber } from '$lib/shared/number';

  /**
   * A number that is typed, wherever in the application: decimal points and commas, thousands apart, units and arithmetic
   * are all read the same way. What is typed stays until it is right or the form is reset; what is wrong with it is said
   * under it, and keeps the form from being sent.
   */
  interface Props {
    kept: number | null;
    min: number;
    max: number;
    unit?: Unit;
    whole?: boolean;
    /** Whether it may be left empty. */
    optional?: boolean;
    /** What one press of an arrow key adds. */
    nudge?: number;
    /** The name of the field in its form. */
    name?: string;
    label?: string;
    title?: string;
    placeholder?: string;
    disabled?: boolean;
    class?: string;
    /** Hears of each number that is right; null for a field that was emptied. */
    onchange?(value: number | null): void;
  }
  let {
    kept,
    min,
    max,
    unit = '',
    whole = false,
    optional = false,
    nudge = 1,
    name,
    label,
    title,
    placeholder,
    disabled = false,
    class: className = '',
    onchange,
  }: Props = $props();

  const id = $props.id();
  let input = $state<HTMLInputElement>();
  let typed = $state<string>();
  let problem = $state<string>();

  /** What the typed words are worth; undefined if they are wrong. */
  function worth(words: string): number | null | undefined {
    if (words.trim() === '' && optional) return null;
    const read = readNumber(words, { unit, min, max, whole });
    problem = read.ok ? undefined : read.message;
    return read.ok ? read.value : undefined;
  }

  function commit(): void {
    if (typed === undefined) return;
    const value = worth(typed);
    if (value === undefined) return;
    problem = undefined;
    // In a form the words stay what they are until it is sent; elsewhere the owner keeps the number.
    typed = onchange ? undefined : writtenNumber(value);
    if (value !== kept) onchange?.(value);
  }

  function onkeydown(event: KeyboardEvent): void {
    const way = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
    if (way !== 0) {
      event.preventDefault();
      const from = worth(typed ?? writtenNumber(kept)) ?? 0;
      const by = way * nudge * (event.shiftKey ? 10 : event.altKey && !whole ? 0.1 : 1);
      typed = writtenNumber(Math.min(max, Math.max(min, from + by)));
      commit();
    } else if (event.key === 'Enter') commit();
    else if (event.key === 'Escape') forget();
  }

  function forget(): void {
    typed = undefined;
    problem = undefined;
  }

  $effect(() => input?.setCustomValidity(problem ?? ''));
  $effect(() => {
    const form = input?.form;
    form?.addEventListener('reset', forget);
    return () => form?.removeEventListener('reset', forget);
  });
</script>

<span class="relative inline-block">
  <input
    bind:this={input}
    class="measured border-hairline rounded px-2 py-1 text-right {className}"
    class:border-fail={problem !== undefined}
    type="text"
    inputmode="decimal"
    autocomplete="off"
    role="spinbutton"
    aria-valuemin={min}
    aria-valuemax={max}
    aria-valuenow={kept ?? undefined}
    aria-label={label}
    aria-invalid={problem !== undefined}
    aria-describedby={problem === undefined ? undefined : `${id}-problem`}
    required={!optional}
    {name}
    {title}
    {placeholder}
    {disabled}
    defaultValue={writtenNumber(kept)}
    value={typed ?? writtenNumber(kept)}
    oninput={(event) => {
      typed = event.currentTarget.value;
      if (problem !== undefined) worth(typed);
    }}
    onchange={commit}
    onblur={commit}
    {onkeydown}
  />
  {#if problem}
    <span
      id="{id}-problem"
      role="alert"
      class="bg-surface border-fail text-fail absolute top-full right-0 z-10 rounded border px-2 py-0.5 text-sm whitespace-nowrap"
      >{problem}</span
    >
  {/if}
</span>
