<script lang="ts">
  import type { Point } from '@kelbrin/core/recipe';
  import { readAmount } from '$lib/ui/dimension';
  import { drawingTexts as say } from '$lib/texts/drawing';

  /** A line that is typed: how long it is and which way it goes; what is left empty is as the pointer shows it. */
  interface Props {
    from: Point;
    towards: Point | undefined;
    /** What was typed already. */
    first: string;
    measures: ReadonlyMap<string, number>;
    onput(point: Point): void;
    oncancel(): void;
  }
  let { from, towards, first, measures, onput, oncancel }: Props = $props();

  const shown = $derived<Point>(towards ?? [from[0] + 10, from[1]]);
  // svelte-ignore state_referenced_locally
  let lengthWritten = $state(first);
  let angleWritten = $state('');
  let problem = $state<string>();

  function put(event: SubmitEvent): void {
    event.preventDefault();
    const [dx, dy] = [shown[0] - from[0], shown[1] - from[1]];
    const mm = number(lengthWritten, 'mm', Math.hypot(dx, dy));
    const turn = number(angleWritten, '°', (Math.atan2(dy, dx) * 180) / Math.PI);
    if (mm === undefined || turn === undefined) return;
    const rad = (turn * Math.PI) / 180;
    const neat = (value: number) => Number(value.toFixed(3));
    onput([neat(from[0] + mm * Math.cos(rad)), neat(from[1] + mm * Math.sin(rad))]);
  }

  function number(written: string, unit: 'mm' | '°', instead: number): number | undefined {
    if (written.trim() === '') return instead;
    const read = readAmount(written, { unit, min: -1000, max: 1000, measures });
    if (read.ok) return read.worth;
    problem = read.message;
    return undefined;
  }

  function onkeydown(event: KeyboardEvent): void {
    if (event.key !== 'Escape') return;
    event.stopPropagation();
    oncancel();
  }

  function begin(input: HTMLInputElement): void {
    input.focus();
    input.setSelectionRange(input.value.length, input.value.length);
  }
</script>

<form
  class="border-hairline absolute top-3 left-3 flex flex-wrap items-center gap-2 rounded border bg-white px-3 py-2 text-sm shadow"
  onsubmit={put}
>
  <label class="flex items-center gap-1">
    {say.lineLength}
    <input
      class="measured border-hairline w-16 rounded border px-1 py-0.5"
      bind:value={lengthWritten}
      {@attach begin}
      {onkeydown}
    /> mm
  </label>
  <label class="flex items-center gap-1">
    {say.lineAngle}
    <input
      class="measured border-hairline w-16 rounded border px-1 py-0.5"
      bind:value={angleWritten}
      {onkeydown}
    />°
  </label>
  <button type="submit" class="bg-primary-700 min-h-8 rounded px-2 text-white">{say.putPoint}</button>
  {#if problem}<p role="alert" class="text-fail basis-full">{problem}</p>{/if}
</form>
