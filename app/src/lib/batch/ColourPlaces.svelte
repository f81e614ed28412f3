<script lang="ts">
  import { colourName, hexOf, type FilamentColour } from '@kelbrin/core/colours';
  import type { ComponentProps } from 'svelte';
  import type SpoolChip from '$lib/printroom/SpoolChip.svelte';
  import { batchTexts as say } from '$lib/texts/batch';
  import { spoolTexts } from '$lib/texts/spools';

  interface Props {
    /** From below; undefined where any will do. */
    colours: readonly (FilamentColour | undefined)[];
    /** The place that each comes from. */
    places: readonly number[];
    /** What is at each place of the printer. */
    loaded: readonly ComponentProps<typeof SpoolChip>['spool'][];
    onchange: (places: readonly number[]) => void;
  }
  let { colours, places, loaded, onchange }: Props = $props();

  const byHand = $derived(places.filter((place, i) => i > 0 && place === places[i - 1]).length);
</script>

<fieldset class="flex flex-col gap-2">
  <legend class="mb-1 font-semibold">{say.places}</legend>
  {#each colours as colour, i (i)}
    {@const name = colour ? colourName(colour) : say.anyColour}
    {@const spool = loaded[places[i]]}
    <div class="flex flex-wrap items-center gap-3">
      <span class="inline-flex w-36 items-center gap-2">
        {#if colour}
          <span class="border-hairline h-4 w-4 rounded-full border" style="background: {hexOf(colour)}"
          ></span>
        {/if}
        {name}
      </span>
      <select
        class="border-hairline rounded py-1 pr-8 pl-2"
        aria-label={say.comesFrom(name)}
        value={places[i]}
        onchange={(event) => onchange(places.with(i, Number(event.currentTarget.value)))}
      >
        {#each loaded as spool, place (place)}
          <option value={place}>{say.place(place, spool)}</option>
        {/each}
      </select>
      {#if spool}
        <span class="border-hairline h-4 w-4 rounded-full border" style="background: {spool.colour}"></span>
        <span class="measured text-ink-soft text-sm">{spoolTexts.grams(spool.gramsLeft)}</span>
      {/if}
    </div>
  {/each}
  {#if colours.length > 1}
    <p class="text-ink-soft text-sm">{byHand > 0 ? say.changedByHand(byHand) : say.changedByItself}</p>
  {/if}
</fieldset>
