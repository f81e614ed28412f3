<script lang="ts">
  import { onDestroy } from 'svelte';
  import type { FilamentColour } from '@kelbrin/core/colours';
  import { extentOf } from '@kelbrin/core/plane';
  import { coveredBy, type Placed } from '@kelbrin/core/plate';
  import { climbsOf, layerEndS, progressAt, spansOf } from '@kelbrin/core/slice';
  import { Button } from 'flowbite-svelte';
  import { bellsAfter, type SchoolDay } from '$lib/shared/schoolDay';
  import { batchTexts as say } from '$lib/texts/batch';
  import { clock } from '$lib/ui/clock.svelte';
  import HeightRuler from '$lib/ui/HeightRuler.svelte';
  import { drawLayer } from '$lib/ui/printedLines/drawLayer';
  import { clockTime } from '$lib/ui/times';
  import LinesLegend from '$lib/ui/printedLines/LinesLegend.svelte';
  import type { BatchSlicing } from './slicing.svelte';

  interface Props {
    slicing: BatchSlicing;
    parts: readonly (Omit<Placed, 'id'> & {
      readonly entryId: string;
      readonly student: string;
      readonly designedMm: readonly number[] | null;
    })[];
    /** The part that is marked, by its place in the queue. */
    chosen?: string;
    /** The heights at which the colour changes. */
    colourChangesMm?: readonly number[];
    /** The colours that the parts are wished in, one for each stretch between the changes. */
    filaments?: readonly (FilamentColour | undefined)[];
    /** The school day, to mark how far the print is at each bell; left out when it is printed already. */
    day?: SchoolDay;
    /** When it was started; now, if it was not. */
    startedAt?: Date;
  }
  let {
    slicing,
    parts,
    chosen = $bindable(),
    colourChangesMm = [],
    filaments = [],
    day,
    startedAt,
  }: Props = $props();

  /** Watched, a print of any length grows in so many seconds, so many times a second. */
  const WATCH_S = 24;
  const STEPS_PER_S = 10;
  const MARGIN_MM = 8;

  /** The moment of the print that is looked at, s. */
  let chosenS = $state<number>();
  /** The layer that is looked at whole, whenever that is: it stays when the batch is sliced again. The first one at first. */
  let chosenLayer = $state<number | undefined>(0);
  let canvas: HTMLCanvasElement;
  let timer: ReturnType<typeof setInterval> | undefined = $state();

  const endS = $derived(slicing.clock?.endS ?? 0);
  const last = $derived(Math.max(0, slicing.heightsMm.length - 1));
  /** Where each layer lies on the ruler: parts that are printed one after another stand on top of each other there. */
  const climbsMm = $derived(climbsOf(slicing.heightsMm));
  const topMm = $derived(climbsMm[last] ?? 0);
  const spansMm = $derived(slicing.turns ? spansOf(slicing.heightsMm) : []);
  const nowS = $derived.by(() => {
    if (!slicing.clock) return 0;
    if (chosenLayer !== undefined) return layerEndS(slicing.clock, Math.min(chosenLayer, last));
    return Math.min(chosenS ?? endS, endS);
  });
  const now = $derived(
    slicing.clock ? progressAt(slicing.clock, nowS) : { layer: 0, lines: Infinity, share: 0 },
  );
  const heightMm = $derived(slicing.heightsMm[now.layer] ?? 0);
  const atMm = $derived(climbsMm[now.layer] ?? 0);
  const isWarming = $derived(slicing.clock !== undefined && nowS < slicing.clock.layerStartsS[0]);
  const view = $derived.by(() => {
    const { x, y } = extentOf(parts.flatMap((part) => coveredBy(part.footprint, part)));
    return {
      x: { low: x.low - MARGIN_MM, high: x.high + MARGIN_MM },
      y: { low: y.low - MARGIN_MM, high: y.high + MARGIN_MM },
    };
  });
  const bars = $derived(
    parts.map(({ entryId, designedMm }, i) => {
      const [lowMm, highMm] = spansMm[slicing.turns?.indexOf(i) ?? -1] ?? [0, designedMm?.[2] ?? topMm];
      return { id: entryId, lowMm, highMm };
    }),
  );
  /** Whose part is printed, where there is one at a time. */
  const owner = $derived(parts[slicing.turns?.[spansMm.findIndex(([, highMm]) => highMm >= atMm)] ?? -1]);
  const time = clock();
  const began = $derived(startedAt ?? new Date(time.nowMs));
  const bells = $derived(day ? bellsAfter(day, began) : []);
  /** Where the colour changes, and how far the print is at each bell. */
  const flags = $derived([
    ...colourChangesMm
      .filter((mm) => mm < topMm)
      .map((mm) => ({ atMm: mm, colour: 'var(--color-warn)', words: say.colourAt })),
    ...bells.flatMap((bell) => {
      const { clock: prints } = slicing;
      const atS = (bell.getTime() - began.getTime()) / 1000;
      if (!prints || atS >= endS || atS < prints.layerStartsS[0]) return [];
      const reachedMm = climbsMm[progressAt(prints, atS).layer] ?? 0;
      return { atMm: reachedMm, colour: 'var(--color-ink-soft)', words: say.bellAt(clockTime(bell)) };
    }),
  ]);
  const bands = $derived(
    filaments.flatMap((colour, i) =>
      colour ? { fromMm: i === 0 ? 0 : (colourChangesMm[i - 1] ?? 0), colour } : [],
    ),
  );
  const minute = $derived(say.minute(Math.ceil(nowS / 60), Math.ceil(endS / 60)));
  const layer = $derived.by(() => {
    if (isWarming) return say.warming;
    const words = say.layer(now.layer + 1, last + 1, heightMm.toFixed(2));
    return owner ? say.layerOf(owner.student, words) : words;
  });

  const isHere = $derived(slicing.shown?.index === now.layer);
  const seenLines = $derived(isHere ? now.lines : Infinity);
  const seenShare = $derived(isHere ? now.share : 0);

  $effect(() => slicing.show(now.layer));
  $effect(() => {
    const { shown } = slicing;
    // The layer that was asked for is on its way; until it is here, the one that is seen is shown whole.
    if (shown) drawLayer(canvas, shown, view, { lines: seenLines, share: seenShare });
  });
  onDestroy(() => clearInterval(timer));

  /** Looks at the layer that lies at a height, when it is whole. */
  function lookAt(mm: number | undefined): void {
    if (!slicing.clock) return;
    const found = mm === undefined ? -1 : climbsMm.findIndex((top) => top >= mm - 1e-6);
    [chosenLayer, chosenS] = found < 0 ? [undefined, endS] : [found, undefined];
  }

  function lookAtMoment(seconds: number): void {
    [chosenLayer, chosenS] = [undefined, seconds];
  }

  /** The height of the layer above or below, or of the fifth from here. */
  function nextMm(_: number, way: 1 | -1, isFar: boolean): number {
    return climbsMm[Math.min(last, Math.max(0, now.layer + way * (isFar ? 5 : 1)))] ?? 0;
  }

  function watch(): void {
    if (timer) {
      clearInterval(timer);
      timer = undefined;
      return;
    }
    lookAtMoment(nowS >= endS ? 0 : nowS);
    timer = setInterval(() => {
      if (nowS >= endS) watch();
      else lookAtMoment(Math.min(endS, nowS + endS / (WATCH_S * STEPS_PER_S)));
    }, 1000 / STEPS_PER_S);
  }
</script>

<div class="flex min-h-0 flex-1">
  <HeightRuler
    {topMm}
    atMm={slicing.clock && !isWarming ? atMm : undefined}
    figureMm={heightMm}
    {bars}
    marked={chosen}
    {flags}
    colours={bands}
    label={say.height}
    hint={say.heightHow}
    words={layer}
    next={nextMm}
    onheight={lookAt}
    onmark={(entryId) => (chosen = entryId)}
  />
  <div class="relative min-h-0 flex-1">
    <canvas bind:this={canvas} class="h-full w-full" data-testid="layer"></canvas>
    <div class="absolute top-2 right-2"><LinesLegend shown={slicing.shown} /></div>
  </div>
</div>
<div class="flex flex-wrap items-center gap-x-4 gap-y-1">
  <span class="min-w-80 text-sm" data-testid="layer-words"
    ><strong class="measured">{minute}</strong> · <span class="measured">{layer}</span></span
  >
  <input
    type="range"
    min="0"
    max={endS}
    step="any"
    bind:value={() => nowS, lookAtMoment}
    class="accent-primary-700 min-w-40 flex-1"
    aria-label={say.minutes}
    aria-valuetext="{minute}, {layer}"
  />
  <Button size="xs" color="alternative" onclick={watch}>{timer ? say.stop : say.watchIt}</Button>
</div>
