<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import type { SubmitFunction } from '@sveltejs/kit';
  import type { ComponentProps } from 'svelte';
  import { colourName, nearestColour, type FilamentColour } from '@kelbrin/core/colours';
  import { sameMaterial } from '@kelbrin/core/slice';
  import { Button, Modal } from 'flowbite-svelte';
  import FilamentChange from '$lib/printroom/FilamentChange.svelte';
  import { filamentTexts } from '$lib/texts/filament';
  import type { StartCheck } from '$lib/shared/startChecks';
  import { batchTexts as say } from '$lib/texts/batch';

  interface Props {
    printer: ComponentProps<typeof FilamentChange>['printer'] & { onPlate?: { readonly batch: number } };
    spools: ComponentProps<typeof FilamentChange>['spools'];
    material: string;
    grams: number | undefined;
    /** The colour that its parts are wished to begin in. */
    colour?: FilamentColour;
    /** The part that waits, where it is started from the queue. */
    entry?: string;
    close: () => void;
  }
  let { printer, spools, material, grams, colour, entry, close }: Props = $props();

  /** Whatever came of it is told by the page. */
  const andClose: SubmitFunction =
    () =>
    async ({ update }) => {
      await update();
      close();
    };
  /** Whether a roll looks other than the parts are wished. */
  const isOther = (spool: { readonly colour: string } | null) =>
    colour !== undefined && spool !== null && nearestColour(spool.colour) !== colour;
  let done = $state<string[]>([]);
  const fits = $derived(printer.spool !== null && sameMaterial(printer.spool.material, material));
  const isShort = $derived(grams !== undefined && printer.spool !== null && grams > printer.spool.gramsLeft);
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
    ['spool', say.checks.spool(printer.spool?.material ?? material, printer.spool?.colourName ?? '')],
    ['plate', printer.onPlate ? say.checks.plateOf(printer.onPlate.batch) : say.checks.plate],
    ['sheet', say.checks.sheet],
    ['watch', say.checks.watch],
  ] satisfies [StartCheck, string][]);
</script>

<Modal
  open
  title={say.before(printer.name)}
  aria-label={say.before(printer.name)}
  size="md"
  onclose={close}
  outsideclose={false}
>
  {#if !fits || isShort}
    <p role="alert" class="border-fail bg-fail-wash border-l-4 px-3 py-2">
      {fits
        ? say.tooLittle(grams!, printer.spool!.gramsLeft)
        : say.wrongMaterial(material, printer.name, printer.spool?.material)}
    </p>
  {/if}
  {#if fits && isOther(printer.spool)}
    <p role="status" class="border-warn bg-warn-wash border-l-4 px-3 py-2">
      {say.otherColour(colourName(colour!), printer.spool!.colourName)}
    </p>
  {/if}
  {#if !fits || isShort || isChanging || printer.change}
    <FilamentChange {printer} spools={fitting} />
  {/if}
  <form method="POST" action="?/start" use:enhance={andClose} class="flex flex-col gap-3">
    <input type="hidden" name="printer" value={printer.id} />
    {#if entry}<input type="hidden" name="entry" value={entry} />{/if}
    {#each steps as [id, words] (id)}
      <label class="border-hairline flex items-center gap-3 rounded border px-3 py-2">
        <input type="checkbox" name="check" bind:group={done} value={id} class="rounded" />
        {#if id === 'spool'}
          <span
            class="border-hairline h-4 w-4 rounded-full border"
            style="background: {printer.spool?.colour ?? 'transparent'}"
          ></span>
        {/if}
        {words}
      </label>
    {/each}
    <div class="flex items-center gap-2">
      {#if fits && !isShort && !printer.change}
        <Button type="button" color="alternative" onclick={() => (isChanging = !isChanging)}
          >{filamentTexts.open}</Button
        >
      {/if}
      <Button type="button" color="alternative" class="ml-auto" onclick={close}>{say.cancel}</Button>
      <Button
        type="submit"
        disabled={done.length < steps.length || !fits || isShort || printer.change !== null}>{say.go}</Button
      >
    </div>
  </form>
</Modal>
