<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { clock } from '$lib/ui/clock.svelte';
  import { inHours, inMoney } from '@kelbrin/core/inspect';
  import type { FilamentColour } from '@kelbrin/core/colours';
  import ColourList from '$lib/ui/ColourList.svelte';
  import { clockTime } from '$lib/ui/times';
  import { nextBell, type SchoolDay } from '$lib/shared/schoolDay';
  import { batchTexts as say } from '$lib/texts/batch';
  import type { BatchSlicing } from './slicing.svelte';

  interface Props {
    slicing: BatchSlicing;
    /** The school day, to say by which bell it is done; left out when it is printed already. */
    day?: SchoolDay;
    /** The spool that it is printed from. */
    spool?: { readonly number: number; readonly pricePerKg: number | null };
    /** The colours that its parts are wished in, in their order. */
    colours?: readonly (FilamentColour | undefined)[];
    /** The school’s currency. */
    currency: string;
  }
  let { slicing, day, spool, colours = [], currency }: Props = $props();

  const time = clock();
  const takes = $derived(slicing.estimate);
  const price = $derived(
    takes && spool && spool.pricePerKg !== null
      ? inMoney((takes.grams * spool.pricePerKg) / 1000, currency)
      : undefined,
  );
  /** Whether each of the filaments that it takes has a name. */
  const areNamed = $derived(
    takes?.colourGrams.length === colours.length && colours.every((each) => each !== undefined),
  );
  const done = $derived(takes && new Date(time.nowMs + takes.seconds * 1000));
  const bell = $derived(day && nextBell(day, new Date(time.nowMs)));
  const lateS = $derived(done && bell ? (done.getTime() - bell.getTime()) / 1000 : 0);
</script>

<h2 class="mb-1">{say.takes}</h2>
{#if slicing.problem}
  <p role="alert" class="text-fail">{slicing.problem}</p>
{:else if takes}
  <p
    class="flex flex-wrap gap-x-4"
    class:opacity-70={slicing.progress || slicing.isCalledOff}
    data-testid="takes"
  >
    <span class="measured text-lg">{inHours(takes.seconds)}</span>
    <span
      ><span class="measured text-lg"
        >{areNamed
          ? takes.grams.toFixed(1)
          : say.thenGrams(takes.colourGrams.map((grams) => grams.toFixed(1)))}</span
      >
      {say.grams}</span
    >
    <span><span class="measured text-lg">{(takes.filamentMm / 1000).toFixed(2)}</span> {say.metres}</span>
    {#if price}<span data-testid="cost">{say.costs(price, spool!.number)}</span>{/if}
  </p>
  {#if areNamed}
    <p class="text-sm" data-testid="filaments">
      <ColourList {colours} after={(i) => say.gramsOf(takes.colourGrams[i])} />
    </p>
  {/if}
  {#if day}
    <p class="text-sm {lateS > 0 ? 'text-warn-ink' : 'text-ink-soft'}" data-late={lateS > 0}>
      {say.doneAt(clockTime(done!))}{bell
        ? lateS > 0
          ? say.afterBell(lateS, clockTime(bell))
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
