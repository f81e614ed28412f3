<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { extentOf, type Region } from '@kelbrin/core/plane';
  import { seams, settingsOf, type PartChoice, type PrintChoice } from '@kelbrin/core/slice';
  import type { LimitsCard } from '@kelbrin/core/inspect';
  import { batchTexts as say } from '$lib/texts/batch';
  import NumberField from '$lib/ui/NumberField.svelte';
  import { inPattern, patternOf } from './waysInside';

  /** How one part of a batch is printed otherwise than the others: empty fields are as the batch has it. */
  interface Props {
    student: string;
    own: PartChoice | null;
    /** What it covers, around the middle of its box. */
    footprint: Region;
    /** How the batch is printed. */
    choice: PrintChoice;
    limits: LimitsCard;
    change: (own: PartChoice) => void;
  }
  let { student, own, footprint, choice, limits, change }: Props = $props();

  const usual = $derived(settingsOf(limits, choice));
  const set = (part: PartChoice) => change({ ...own, ...part });
  /** A mark is at the front to begin with; from there it is dragged on the plate. */
  function chooseSeam(wished: string) {
    const seam = seams.find((each) => each === wished);
    if (wished === MARKED) set({ seam: undefined, seamAtMm: [0, extentOf(footprint).y.low] });
    else set({ seam, seamAtMm: undefined });
  }
  const MARKED = 'marked';
</script>

<section class="sheet flex flex-col gap-3 p-4" aria-label={say.ownOf(student)}>
  <h2>{say.ownOf(student)}</h2>
  <p class="text-ink-soft text-sm">{say.ownWhy}</p>
  <label class="grid grid-cols-[1fr_6.5rem] items-center gap-x-2">
    {say.infill}
    <span class="flex items-center gap-1"
      ><NumberField
        min={0}
        max={100}
        unit="%"
        nudge={5}
        optional
        class="w-full"
        placeholder={String(Math.round(100 * usual.infillShare))}
        kept={own?.infillShare === undefined ? null : Math.round(100 * own.infillShare)}
        onchange={(percent) => set({ infillShare: percent === null ? undefined : percent / 100 })}
      />%</span
    >
  </label>
  <label class="grid grid-cols-[1fr_6.5rem] items-center gap-x-2">
    {say.wallLines}
    <NumberField
      min={1}
      max={10}
      whole
      optional
      class="w-full"
      placeholder={String(usual.wallLines)}
      kept={own?.wallLines ?? null}
      onchange={(lines) => set({ wallLines: lines ?? undefined })}
    />
  </label>
  <label class="grid grid-cols-[1fr_10.5rem] items-center gap-2">
    {say.pattern}
    <select
      class="border-hairline rounded py-1 pr-8 pl-2"
      value={own?.infillWay === undefined ? '' : patternOf(own, usual)}
      onchange={(event) => set(inPattern(event.currentTarget.value))}
    >
      <option value="">{say.asBatch}</option>
      {#each Object.entries(say.patterns) as [id, name] (id)}<option value={id}>{name}</option>{/each}
    </select>
  </label>
  <label class="grid grid-cols-[1fr_10.5rem] items-center gap-x-2">
    {say.seam}
    <select
      class="border-hairline rounded py-1 pr-8 pl-2"
      value={own?.seamAtMm ? MARKED : (own?.seam ?? '')}
      onchange={(event) => chooseSeam(event.currentTarget.value)}
    >
      <option value="">{say.asBatch}</option>
      {#each seams as seam (seam)}<option value={seam}>{say.seams[seam]}</option>{/each}
      <option value={MARKED}>{say.seamMarked}</option>
    </select>
    {#if own?.seamAtMm}<span class="text-ink-soft col-span-2 text-sm">{say.seamMarkedHow}</span>{/if}
  </label>
  <label class="grid grid-cols-[1fr_10.5rem] items-center gap-x-2">
    {say.tops}
    <select
      class="border-hairline rounded py-1 pr-8 pl-2"
      value={String(own?.smoothsTops ?? '')}
      onchange={({ currentTarget: { value } }) =>
        set({ smoothsTops: value === '' ? undefined : value === 'true' })}
    >
      <option value="">{say.asBatch}</option>
      {#each ['false', 'true'] as const as each (each)}<option value={each}>{say.topsAre[each]}</option
        >{/each}
    </select>
  </label>
  {#if own}
    <Button size="xs" color="alternative" onclick={() => change({})}>{say.allAsBatch}</Button>
  {/if}
</section>
