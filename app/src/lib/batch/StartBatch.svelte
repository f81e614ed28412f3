<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import type { SubmitFunction } from '@sveltejs/kit';
  import type { ComponentProps } from 'svelte';
  import { colourName, nearestColour, type FilamentColour } from '@kelbrin/core/colours';
  import { sameMaterial } from '@kelbrin/core/slice';
  import { Button } from 'flowbite-svelte';
  import Dialog from '$lib/ui/Dialog.svelte';
  import FilamentChange from '$lib/printroom/FilamentChange.svelte';
  import RollDots from '$lib/printroom/RollDots.svelte';
  import { gramsByPlace, placesFor } from '$lib/shared/rolls';
  import ColourPlaces from './ColourPlaces.svelte';
  import { filamentTexts } from '$lib/texts/filament';
  import type { StartCheck } from '$lib/shared/startChecks';
  import { batchTexts as say } from '$lib/texts/batch';

  interface Props {
    printer: ComponentProps<typeof FilamentChange>['printer'] & { onPlate?: { readonly batch: number } };
    spools: ComponentProps<typeof FilamentChange>['spools'];
    material: string;
    grams: number | undefined;
    /** What of it each colour takes, as far as that is known. */
    colourGrams?: readonly number[];
    /** The colours that its parts are wished in, from below; undefined where any will do. */
    colours: readonly (FilamentColour | undefined)[];
    /** The part that waits, where it is started from the queue. */
    entry?: string;
    close: () => void;
  }
  let { printer, spools, material, grams, colourGrams, colours, entry, close }: Props = $props();

  /** Whatever came of it is told by the page. */
  const andClose: SubmitFunction =
    () =>
    async ({ update }) => {
      await update();
      close();
    };
  /** Whether a roll looks other than the parts are wished. */
  const isOther = (spool: { readonly colour: string } | null, colour = colours[0]) =>
    colour !== undefined && spool !== null && nearestColour(spool.colour) !== colour;
  let done = $state<string[]>([]);
  const hasPlaces = $derived(printer.places.length > 1);
  /** What was chosen by hand of the places that the colours come from. */
  let chosen = $state<readonly number[]>();
  const fittingPlaces = $derived(
    placesFor(
      colours,
      printer.places
        .filter((spool) => spool !== null)
        .filter((spool) => sameMaterial(spool.material, material)),
    ),
  );
  const places = $derived(
    hasPlaces ? (chosen ?? (fittingPlaces.length > 0 ? fittingPlaces : colours.map(() => 0))) : [0],
  );
  /** The rolls that it is printed from, each with how much it gives. */
  const taken = $derived(
    [...gramsByPlace(places, { grams, colourGrams })].map(([place, needsG]) => ({
      spool: printer.places[place],
      needsG,
    })),
  );
  const wrong = $derived(
    taken.find(({ spool }) => spool === null || !sameMaterial(spool.material, material)),
  );
  const short = $derived(
    taken.find(({ spool, needsG }) => spool !== null && needsG !== undefined && needsG > spool.gramsLeft),
  );
  const other = $derived(places.findIndex((place, i) => isOther(printer.places[place], colours[i])));
  /** What fits, the fullest first. */
  const fitting = $derived(
    spools
      .filter(({ spool }) => sameMaterial(spool.material, material) || spool.id === printer.change?.spoolId)
      .toSorted(
        (a, b) =>
          Number(isOther(a.spool)) - Number(isOther(b.spool)) || b.spool.gramsLeft - a.spool.gramsLeft,
      ),
  );
  let isChanging = $state(false);
  // Once a change is under way its wish is fulfilled: when it is over, nothing is asked again.
  $effect(() => {
    if (printer.change) isChanging = false;
  });
  const steps = $derived([
    [
      'spool',
      say.checks.spools(taken.flatMap(({ spool }) => (spool ? [[spool.material, spool.colourName]] : []))),
    ],
    ['plate', printer.onPlate ? say.checks.plateOf(printer.onPlate.batch) : say.checks.plate],
    ['sheet', say.checks.sheet],
    ['watch', say.checks.watch],
  ] satisfies [StartCheck, string][]);
</script>

<Dialog title={say.before(printer.name)} size="md" onclose={close} outsideclose={false}>
  {#if wrong}
    <p role="alert" class="border-fail bg-fail-wash border-l-4 px-3 py-2">
      {say.wrongMaterial(material, printer.name, wrong.spool?.material)}
    </p>
  {:else if short}
    <p role="alert" class="border-fail bg-fail-wash border-l-4 px-3 py-2">
      {say.tooLittle(short.needsG!, short.spool!.gramsLeft)}
    </p>
  {:else if other >= 0}
    <p role="status" class="border-warn bg-warn-wash border-l-4 px-3 py-2">
      {say.otherColour(colourName(colours[other]!), printer.places[places[other]]!.colourName)}
    </p>
  {/if}
  {#if hasPlaces}
    <ColourPlaces {colours} {places} loaded={printer.places} onchange={(next) => (chosen = next)} />
  {/if}
  {#if wrong || short || isChanging || printer.change}
    <FilamentChange {printer} spools={fitting} />
  {/if}
  <form method="POST" action="?/start" use:enhance={andClose} class="flex flex-col gap-3">
    <input type="hidden" name="printer" value={printer.id} />
    {#if entry}<input type="hidden" name="entry" value={entry} />{/if}
    {#if hasPlaces}{#each places as place, i (i)}<input
          type="hidden"
          name="place"
          value={place}
        />{/each}{/if}
    {#each steps as [id, words] (id)}
      <label class="border-hairline flex items-center gap-3 rounded border px-3 py-2">
        <input type="checkbox" name="check" bind:group={done} value={id} class="rounded" />
        {#if id === 'spool'}
          <RollDots rolls={taken.map(({ spool }) => spool)} class="border-hairline h-4 w-4" />
        {/if}
        {words}
      </label>
    {/each}
    <div class="flex items-center gap-2">
      {#if !wrong && !short && !printer.change}
        <Button type="button" color="alternative" onclick={() => (isChanging = !isChanging)}
          >{filamentTexts.open}</Button
        >
      {/if}
      <Button type="button" color="alternative" class="ml-auto" onclick={close}>{say.cancel}</Button>
      <Button
        type="submit"
        disabled={done.length < steps.length || !!wrong || !!short || printer.change !== null}
        >{say.go}</Button
      >
    </div>
  </form>
</Dialog>
