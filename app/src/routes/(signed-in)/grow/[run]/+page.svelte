<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import { Button } from 'flowbite-svelte';
  import { inHours } from '@kelbrin/core/inspect';
  import { extentOf } from '@kelbrin/core/plane';
  import { coveredBy } from '@kelbrin/core/plate';
  import { climbsOf, progressAtShare } from '@kelbrin/core/slice';
  import { BatchSlicing } from '$lib/batch/slicing.svelte';
  import { drawLayer } from '$lib/ui/printedLines/drawLayer';
  import HeightRuler from '$lib/ui/HeightRuler.svelte';
  import { growTexts as say } from '$lib/texts/grow';
  import type { RunProgress } from '$lib/server/printing/runs/watching';

  let { data } = $props();

  const MARGIN_MM = 6;
  /** A print of any length is seen again in so many seconds, so many times a second. */
  const REPLAY_S = 20;
  const STEPS_PER_S = 12;

  // A page is of one run: another run is another page.
  // svelte-ignore state_referenced_locally
  const { run } = data;
  const slicing = new BatchSlicing(`/grow/${run.id}/part`);
  let now = $state.raw<RunProgress>(run);
  let isFollowing = $state(true);
  /** How much of it is shown while it is seen again, 0 to 1; undefined while it is followed. */
  let replayed = $state<number>();
  /** A layer that is looked at whole, of those that are printed; undefined while it is followed. */
  let looked = $state<number>();
  let isAll = $state(!run.parts.some(({ isOwn }) => isOwn));
  let canvas: HTMLCanvasElement;
  let timer: ReturnType<typeof setInterval> | undefined;

  const isOver = $derived(now.state === 'finished');
  const share = $derived(replayed ?? (isOver ? 1 : now.progress));
  const grown = $derived(
    slicing.moves ? progressAtShare(slicing.moves, share) : { layer: 0, lines: 0, share: 0 },
  );
  const at = $derived(
    looked !== undefined && looked < grown.layer ? { layer: looked, lines: Infinity, share: 0 } : grown,
  );
  const climbsMm = $derived(climbsOf(slicing.heightsMm));
  const topMm = $derived(climbsMm.at(-1) ?? 0);
  const heightMm = $derived(slicing.heightsMm[at.layer] ?? 0);
  const view = $derived.by(() => {
    const seen = run.parts.filter(({ isOwn }) => isAll || isOwn);
    const { x, y } = extentOf(seen.flatMap((part) => coveredBy(part.footprint, part)));
    return {
      x: { low: x.low - MARGIN_MM, high: x.high + MARGIN_MM },
      y: { low: y.low - MARGIN_MM, high: y.high + MARGIN_MM },
    };
  });
  const words = $derived.by(() => {
    if (replayed !== undefined) return say.again;
    if (now.state === 'failed' || now.state === 'cancelled') return say.ended;
    if (isOver) return say.done;
    if (now.isPaused) return say.paused;
    if (now.state !== 'printing') return say.begins;
    return say.left(inHours(run.estimateS * (1 - now.progress)));
  });
  const layerWords = $derived(
    slicing.moves ? say.layer(at.layer + 1, slicing.heightsMm.length, heightMm.toFixed(2)) : say.loading,
  );

  $effect(() => slicing.show(at.layer));
  $effect(() => {
    const { shown } = slicing;
    if (shown) drawLayer(canvas, shown, view, shown.index === at.layer ? at : { lines: Infinity, share: 0 });
  });

  onMount(() => {
    void slicing.slice(run.parts, run.limits, run.choice, run.on);
    const stream = new EventSource(`/grow/${run.id}/live`);
    stream.addEventListener('open', () => (isFollowing = true));
    stream.addEventListener('error', () => (isFollowing = false));
    stream.addEventListener('message', ({ data: told }: MessageEvent<string>) => {
      now = JSON.parse(told) as RunProgress;
    });
    return () => stream.close();
  });
  onDestroy(() => {
    clearInterval(timer);
    slicing.close();
  });

  /** Looks at the layer that lies at a height, as far as it is printed. */
  function lookAt(mm: number | undefined): void {
    const found = mm === undefined ? -1 : climbsMm.findIndex((top) => top >= mm - 1e-6);
    looked = found < 0 || found >= grown.layer ? undefined : found;
  }

  function nextMm(_: number, way: 1 | -1, isFar: boolean): number {
    const last = Math.max(0, climbsMm.length - 1);
    return climbsMm[Math.min(last, Math.max(0, at.layer + way * (isFar ? 5 : 1)))] ?? 0;
  }

  /** Shows the print from its beginning to where it is, in a few seconds. */
  function replay(): void {
    clearInterval(timer);
    const end = isOver ? 1 : now.progress;
    looked = undefined;
    replayed = 0;
    timer = setInterval(() => {
      replayed = (replayed ?? 0) + end / (REPLAY_S * STEPS_PER_S);
      if (replayed < end) return;
      clearInterval(timer);
      replayed = undefined;
    }, 1000 / STEPS_PER_S);
  }
</script>

<svelte:head><title>{say.title(run.batch)} · Kelbrin</title></svelte:head>

<main class="mx-auto flex h-[calc(100dvh-3rem)] w-full max-w-7xl flex-col gap-3 p-4">
  <div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
    <h1>{say.title(run.batch)}</h1>
    <span class="text-ink-soft">{say.on(run.printer)}</span>
    <strong class="ml-auto text-xl" role="status" data-testid="left">{words}</strong>
  </div>
  {#if !isFollowing}
    <p role="alert" class="border-warn bg-warn-wash border-l-4 px-3 py-2">{say.notFollowing}</p>
  {/if}
  {#if slicing.problem}
    <p role="alert" class="border-fail bg-fail-wash border-l-4 px-3 py-2">{slicing.problem}</p>
  {/if}
  <div class="sheet flex min-h-0 flex-1 overflow-hidden">
    <HeightRuler
      {topMm}
      atMm={slicing.moves ? climbsMm[at.layer] : undefined}
      figureMm={heightMm}
      bars={[]}
      flags={[]}
      label={say.height}
      hint={say.heightHow}
      words={layerWords}
      next={nextMm}
      onheight={lookAt}
    />
    <div class="h-full min-w-0 flex-1" role="img" aria-label={say.picture(layerWords)}>
      <canvas bind:this={canvas} class="h-full w-full" data-testid="grow"></canvas>
    </div>
  </div>
  <div class="flex flex-wrap items-center gap-3">
    <div
      class="border-hairline relative h-4 min-w-40 flex-1 overflow-hidden rounded border bg-white"
      role="progressbar"
      aria-label={say.progress}
      aria-valuemin="0"
      aria-valuemax="100"
      aria-valuenow={Math.floor(share * 100)}
    >
      <div class="bg-primary-700 h-full" style="width: {100 * share}%"></div>
    </div>
    <span class="measured text-sm" data-testid="grown">{layerWords}</span>
    {#if run.parts.length > 1 && run.parts.some(({ isOwn }) => isOwn)}
      <Button size="xs" color="alternative" onclick={() => (isAll = !isAll)}
        >{isAll ? say.mine : say.all}</Button
      >
    {/if}
    <Button size="xs" color="alternative" disabled={!slicing.moves || share === 0} onclick={replay}
      >{say.replay}</Button
    >
  </div>
</main>
