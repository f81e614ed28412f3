<script lang="ts">
  import type { ComponentProps } from 'svelte';
  import { allowedSets, seams, settingsFor, supportForms, type PrintChoice } from '@kelbrin/core/slice';
  import { formatNumber } from '@kelbrin/core/recipe';
  import type { LimitsCard } from '@kelbrin/core/inspect';
  import { batchTexts as say } from '$lib/texts/batch';
  import NumberField from '$lib/ui/NumberField.svelte';
  import { inPattern, patternOf } from './waysInside';

  interface Props {
    choice: PrintChoice;
    limits: LimitsCard;
    disabled?: boolean;
    /** Whether parts are held by supports. */
    hasSupports: boolean;
    /** Why it cannot be printed as its parts lie. */
    inTheWay: string | undefined;
    /** The heights at which the colours of the parts change. */
    colourChangesMm?: readonly number[];
    change: (choice: PrintChoice) => void;
  }
  let {
    choice,
    limits,
    disabled = false,
    hasSupports,
    inTheWay,
    colourChangesMm = [],
    change,
  }: Props = $props();

  const sets = $derived(allowedSets(limits));
  const usual = $derived(settingsFor(limits, choice.set));
  const changesColour = $derived(colourChangesMm.length > 0 || (choice.colourChangesMm?.length ?? 0) > 0);
  const set = (part: Partial<PrintChoice>) => change({ ...choice, ...part });
</script>

{#snippet number(label: string, why: string, field: ComponentProps<typeof NumberField>)}
  <label class="grid grid-cols-[1fr_6.5rem] items-center gap-x-2">
    {label}
    <span class="flex items-center gap-1"
      ><NumberField optional class="w-full" {...field} />{field.unit ?? ''}</span
    >
    <span class="text-ink-soft col-span-2 text-sm">{why}</span>
  </label>
{/snippet}

{#snippet tick(
  label: string,
  why: string,
  isChosen: boolean | undefined,
  choose: (isChosen: true | undefined) => void,
)}
  <label class="grid grid-cols-[auto_1fr] items-center gap-x-2">
    <input
      type="checkbox"
      class="rounded"
      checked={isChosen ?? false}
      onchange={(event) => choose(event.currentTarget.checked || undefined)}
    />
    {label}
    <span class="text-ink-soft col-span-2 text-sm">{why}</span>
  </label>
{/snippet}

<fieldset class="flex flex-col gap-3" {disabled}>
  <legend class="mb-2 font-semibold">{say.settings}</legend>
  <div role="radiogroup" aria-label={say.set} class="flex gap-1">
    {#each sets as { id, name, what } (id)}
      <label
        class="border-hairline has-checked:border-primary-700 has-checked:bg-primary-50 flex-1 cursor-pointer rounded border px-2 py-1 text-center text-sm has-focus-visible:outline-2"
        title={what}
      >
        <input
          type="radio"
          name="set"
          value={id}
          class="sr-only"
          checked={choice.set === id}
          onchange={() => set({ set: id })}
        />{name}
      </label>
    {/each}
  </div>
  <p class="text-ink-soft text-sm">{sets.find(({ id }) => id === choice.set)?.what}</p>
  <label class="grid grid-cols-[1fr_6.5rem] items-center gap-x-2" title={say.infillWhy}>
    {say.infill}
    <span class="flex items-center gap-1"
      ><NumberField
        min={0}
        max={100}
        unit="%"
        nudge={5}
        optional
        class="w-full"
        kept={Math.round(100 * (choice.infillShare ?? usual.infillShare))}
        onchange={(percent) => set({ infillShare: percent === null ? undefined : percent / 100 })}
      />%</span
    >
    <span class="text-ink-soft col-span-2 text-sm">{say.infillWhy}</span>
  </label>
  <label class="grid grid-cols-[1fr_10.5rem] items-center gap-2">
    {say.pattern}
    <select
      class="border-hairline rounded py-1 pr-8 pl-2"
      value={patternOf(choice, usual)}
      onchange={(event) => set(inPattern(event.currentTarget.value))}
    >
      {#each Object.entries(say.patterns) as [id, name] (id)}<option value={id}>{name}</option>{/each}
    </select>
  </label>
  {#if limits.layerHeightsMm.length > 1}
    {@render tick(say.adapted, say.adaptedWhy, choice.isAdapted, (isAdapted) => set({ isAdapted }))}
  {/if}
  {@render tick(say.smooth, say.smoothWhy, choice.smoothsTops, (smoothsTops) => set({ smoothsTops }))}
  <label class="grid grid-cols-[1fr_10.5rem] items-center gap-x-2">
    {say.seam}
    <select
      class="border-hairline rounded py-1 pr-8 pl-2"
      value={choice.seam ?? usual.seam}
      onchange={(event) => set({ seam: seams.find((each) => each === event.currentTarget.value) })}
    >
      {#each seams as seam (seam)}<option value={seam}>{say.seams[seam]}</option>{/each}
    </select>
    <span class="text-ink-soft col-span-2 text-sm">{say.seamWhy}</span>
  </label>
  {#if hasSupports}
    <label class="grid grid-cols-[1fr_10.5rem] items-center gap-x-2">
      {say.supports}
      <select
        class="border-hairline rounded py-1 pr-8 pl-2"
        value={choice.supportForm ?? supportForms[0]}
        onchange={(event) =>
          set({ supportForm: supportForms.find((each) => each === event.currentTarget.value) })}
      >
        {#each supportForms as form (form)}<option value={form}>{say.supportForms[form]}</option>{/each}
      </select>
      <span class="text-ink-soft col-span-2 text-sm">{say.supportsWhy}</span>
    </label>
  {/if}
  {@render number(say.wallLines, say.wallLinesWhy, {
    min: 1,
    max: 10,
    whole: true,
    kept: choice.wallLines ?? usual.wallLines,
    onchange: (lines) => set({ wallLines: lines ?? undefined }),
  })}
  {@render tick(
    say.oneByOne,
    changesColour ? say.oneByOneNot : say.oneByOneWhy,
    choice.isOneByOne,
    (isOneByOne) => set({ isOneByOne }),
  )}
  {#if choice.isOneByOne && !changesColour && inTheWay}<p class="text-fail text-sm">{inTheWay}</p>{/if}
  {@render number(say.hop, say.hopWhy, {
    min: 0,
    max: 5,
    unit: 'mm',
    nudge: 0.1,
    kept: choice.hopMm ?? usual.hopMm,
    onchange: (mm) => set({ hopMm: mm ?? undefined }),
  })}
  {@render number(say.brim, say.brimWhy, {
    min: 0,
    max: 30,
    unit: 'mm',
    nudge: 0.5,
    kept: choice.brimMm ?? usual.brimMm,
    onchange: (mm) => set({ brimMm: mm ?? undefined }),
  })}
  {@render number(say.colourAt, say.colourWhy, {
    min: 0,
    max: 999,
    unit: 'mm',
    nudge: 0.2,
    placeholder: colourChangesMm.length > 0 ? colourChangesMm.map(formatNumber).join('; ') : '–',
    kept: choice.colourChangesMm?.[0] ?? null,
    onchange: (mm) => set({ colourChangesMm: mm === null || mm <= 0 ? undefined : [mm] }),
  })}
</fieldset>
