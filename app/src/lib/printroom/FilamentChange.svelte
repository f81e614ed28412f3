<script lang="ts">
  import { applyAction } from '$app/forms';
  import { Button } from 'flowbite-svelte';
  import SpoolChip from '$lib/printroom/SpoolChip.svelte';
  import { enhance } from '$lib/ui/enhance';
  import { byHandTexts } from '$lib/texts/byHand';
  import { filamentTexts as say } from '$lib/texts/filament';
  import { spoolTexts } from '$lib/texts/spools';
  import type { SubmitFunction } from '@sveltejs/kit';
  import type { printersNow } from '$lib/server/printing/printRoom';
  import type { spoolsOf } from '$lib/server/printers/spools';

  interface Props {
    printer: Pick<
      Awaited<ReturnType<typeof printersNow>>[number],
      'id' | 'name' | 'status' | 'spool' | 'places' | 'change' | 'byHand'
    >;
    /** The rolls that may go on, those that fit best first. */
    spools: Awaited<ReturnType<typeof spoolsOf>>;
  }
  let { printer, spools }: Props = $props();

  const change = $derived(printer.change);
  const coming = $derived(spools.find(({ spool }) => spool.id === change?.spoolId)?.spool);
  const shelf = $derived(spools.filter((each) => each.printer === null));
  const stageOf = {
    heating: 0,
    hot: 1,
    unloading: 1,
    empty: 2,
    loading: 3,
    loaded: 3,
    purging: 3,
    cooling: 4,
  };
  const stage = $derived(change ? stageOf[change.step] : -1);

  let problem = $state<string>();
  /** Until the next step is shown, nothing is pressed twice. */
  let isSending = $state(false);
  /** Other pages change filament too; what is refused is told here, wherever that is. */
  const told: SubmitFunction = () => {
    isSending = true;
    return async ({ result, update }) => {
      problem = result.type === 'failure' ? (result.data?.message as string) : undefined;
      if (result.type === 'success') await update({ reset: false });
      else if (result.type !== 'failure') await applyAction(result);
      isSending = false;
    };
  };
</script>

<section class="flex flex-col gap-3" aria-label={say.title(printer.name)} data-step={change?.step ?? 'none'}>
  {#if problem}<p role="alert" class="border-fail bg-fail-wash border-l-4 px-3 py-2">{problem}</p>{/if}
  {#if !printer.byHand}<ol class="grid grid-cols-4 gap-1 text-sm">
      {#each say.stages as words, i (words)}
        <li
          class="border-t-4 pt-1 {i < stage
            ? 'border-primary-700 text-ink-soft'
            : i === stage
              ? 'border-primary-700 font-semibold'
              : 'border-hairline text-ink-soft'}"
          aria-current={i === stage ? 'step' : undefined}
        >
          {i + 1}. {words}
        </li>
      {/each}
    </ol>{/if}
  {#if change}
    <p role="status">
      {say.step[change.step]}
      {#if change.step === 'heating'}<span class="measured"
          >{say.degrees(printer.status?.nozzleC ?? 0, change.nozzleC)}</span
        >{:else if change.step !== 'cooling'}<span class="text-warn-ink">{say.hot}</span>{/if}
    </p>
    {#if coming}<p class="flex items-center gap-2">{say.coming} <SpoolChip spool={coming} /></p>{/if}
    <form method="POST" action="/print-room?/turn" use:enhance={told} class="flex gap-2">
      <input type="hidden" name="printer" value={printer.id} />
      {#if change.step === 'hot'}
        <Button type="submit" size="sm" disabled={isSending} name="turn" value="drawOut">{say.drawOut}</Button
        >
        {#if !printer.places[change.place]}<Button
            type="submit"
            size="sm"
            disabled={isSending}
            color="alternative"
            name="turn"
            value="nothingIn">{say.nothingIn}</Button
          >{/if}
      {:else if change.step === 'empty'}
        <Button type="submit" size="sm" disabled={isSending} name="turn" value="pushIn">{say.pushIn}</Button>
      {:else if change.step === 'loaded'}
        <Button type="submit" size="sm" disabled={isSending} formaction="/print-room?/clean"
          >{say.clean}</Button
        >
        <Button type="submit" size="sm" disabled={isSending} color="alternative" name="turn" value="more"
          >{say.more}</Button
        >
      {/if}
      {#if ['heating', 'hot', 'empty'].includes(change.step)}
        <Button
          type="submit"
          size="sm"
          disabled={isSending}
          color="alternative"
          class="ml-auto"
          formaction="/print-room?/giveChangeUp">{say.giveUp}</Button
        >
      {/if}
    </form>
  {:else if shelf.length > 0}
    <form
      method="POST"
      action="/print-room?/{printer.byHand ? 'loaded' : 'change'}"
      use:enhance={told}
      class="flex flex-wrap items-end gap-2"
    >
      <input type="hidden" name="printer" value={printer.id} />
      <label class="flex flex-col gap-1"
        >{say.which}
        <select name="spool" class="border-hairline rounded py-1 pr-8 pl-2">
          {#each shelf as { spool } (spool.id)}
            <option value={spool.id}
              >{say.spool(spool.number, spool.material, spool.colourName, spool.gramsLeft)}</option
            >
          {/each}
        </select></label
      >
      {#if printer.places.length > 1}
        <label class="flex flex-col gap-1"
          >{say.where}
          <select name="place" class="border-hairline rounded py-1 pr-8 pl-2">
            {#each printer.places as spool, place (place)}
              <option value={place}
                >{say.at(place, spool ? say.inIt(spool.material, spool.colourName) : spoolTexts.none)}</option
              >
            {/each}
          </select></label
        >
      {/if}
      <Button type="submit" size="sm" disabled={isSending}
        >{printer.byHand ? byHandTexts.loaded : say.begin}</Button
      >
    </form>
  {:else}
    <p>{say.none} <a class="text-primary-800 underline underline-offset-2" href="/spools">{say.spools}</a></p>
  {/if}
</section>
