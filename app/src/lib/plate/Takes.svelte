<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { clock } from '$lib/ui/clock.svelte';
  import { inMoney } from '$lib/ui/money';
  import { clockTime } from '$lib/ui/times';
  import { nextBell, type SchoolDay } from '$lib/shared/schoolDay';
  import { plateTexts as say } from '$lib/texts/plate';
  import type { PlateSlicing } from './slicing.svelte';

  interface Props {
    slicing: PlateSlicing;
    /** The school day, to say by which bell it is done; left out when it is printed already. */
    day?: SchoolDay;
    /** What a kilogram of the filament cost, where that is noted. */
    pricePerKg?: number | null;
  }
  let { slicing, day, pricePerKg = null }: Props = $props();

  const time = clock();
  const takes = $derived(slicing.estimate);
  const done = $derived(takes && new Date(time.nowMs + takes.seconds * 1000));
  const bell = $derived(day && nextBell(day, new Date(time.nowMs)));
  const lateMin = $derived(done && bell ? Math.ceil((done.getTime() - bell.getTime()) / 60_000) : 0);
</script>

<h2 class="mb-1">{say.takes}</h2>
{#if slicing.problem}
  <p role="alert" class="text-fail">{slicing.problem}</p>
{:else if takes}
  <p
    class="flex flex-wrap gap-x-4"
    class:opacity-50={slicing.progress || slicing.isCalledOff}
    data-testid="takes"
  >
    <span><span class="measured text-lg">{Math.ceil(takes.seconds / 60)}</span> {say.minutes}</span>
    <span
      ><span class="measured text-lg"
        >{say.thenGrams(takes.colourGrams.map((grams) => grams.toFixed(1)))}</span
      >
      {say.grams}</span
    >
    <span><span class="measured text-lg">{(takes.filamentMm / 1000).toFixed(2)}</span> {say.metres}</span>
    {#if pricePerKg !== null}<span class="measured text-lg">{inMoney((takes.grams * pricePerKg) / 1000)}</span
      >{/if}
  </p>
  {#if day}
    <p class="text-sm {lateMin > 0 ? 'text-warn-ink' : 'text-ink-soft'}" data-late={lateMin > 0}>
      {say.doneAt(clockTime(done!))}{bell
        ? lateMin > 0
          ? say.afterBell(lateMin, clockTime(bell))
          : say.beforeBell(clockTime(bell))
        : say.noBell}
    </p>
  {/if}
{/if}
{#if slicing.progress}
  <div class="mt-1 flex items-center gap-2 text-sm">
    <progress class="w-32" aria-label={say.takes} max={slicing.progress.of} value={slicing.progress.done}
    ></progress>
    {say.slicing(slicing.progress.done, slicing.progress.of)}
    <Button size="xs" color="alternative" onclick={() => slicing.callOff()}>{say.callOff}</Button>
  </div>
{:else if slicing.isCalledOff}
  <p class="mt-1 flex items-center gap-2 text-sm">
    {say.calledOff}
    <Button size="xs" color="alternative" onclick={() => slicing.again()}>{say.sliceAgain}</Button>
  </p>
{/if}
