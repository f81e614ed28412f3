<script lang="ts">
  import { onDestroy } from 'svelte';
  import { extentOf } from '@kelbrin/core/plane';
  import { coveredBy, type Placed } from '@kelbrin/core/plate';
  import type { Role } from '@kelbrin/core/slice';
  import { Button } from 'flowbite-svelte';
  import { plateTexts as say } from '$lib/texts/plate';
  import { drawLayer, HANGING, roleColours } from './drawLayer';
  import type { PlateSlicing } from './slicing.svelte';

  interface Props {
    slicing: PlateSlicing;
    parts: readonly Omit<Placed, 'id'>[];
    /** The heights at which the colour changes. */
    colourChangesMm?: readonly number[];
  }
  let { slicing, parts, colourChangesMm = [] }: Props = $props();

  /** How long a layer stays while playing. */
  const PLAY_MS = 120;
  const MARGIN_MM = 8;

  let index = $state(0);
  /** Up to where along the layer it is drawn, 0 to 1. */
  let along = $state(1);
  let canvas: HTMLCanvasElement;
  let timer: ReturnType<typeof setInterval> | undefined = $state();

  const last = $derived(Math.max(0, slicing.heightsMm.length - 1));
  const heightMm = $derived(slicing.heightsMm[index] ?? 0);
  const view = $derived.by(() => {
    const { x, y } = extentOf(parts.flatMap((part) => coveredBy(part.footprint, part)));
    return {
      x: { low: x.low - MARGIN_MM, high: x.high + MARGIN_MM },
      y: { low: y.low - MARGIN_MM, high: y.high + MARGIN_MM },
    };
  });
  const present = $derived(new Set(slicing.shown?.layer.paths.map(({ role }) => role)));

  $effect(() => slicing.show(Math.min(index, last)));
  $effect(() => {
    if (slicing.shown) drawLayer(canvas, slicing.shown, view, along);
  });
  onDestroy(() => clearInterval(timer));

  function play() {
    if (timer) {
      clearInterval(timer);
      timer = undefined;
      return;
    }
    if (index >= last) index = 0;
    along = 1;
    timer = setInterval(() => {
      if (index >= last) play();
      else index++;
    }, PLAY_MS);
  }
</script>

<div class="flex min-h-0 flex-1 gap-3">
  <div class="relative min-h-0 flex-1">
    <canvas bind:this={canvas} class="h-full w-full" data-testid="layer"></canvas>
  </div>
  <div class="flex w-16 flex-col items-center gap-1">
    <span class="measured text-sm">{(slicing.heightsMm[last] ?? 0).toFixed(1)}</span>
    <div class="relative flex min-h-0 flex-1 justify-center">
      <input
        type="range"
        min="0"
        max={last}
        bind:value={index}
        class="accent-primary-700 h-full"
        style="writing-mode: vertical-lr; direction: rtl"
        aria-label={say.layerRange}
        aria-valuetext={say.layer(index + 1, last + 1, heightMm.toFixed(2))}
      />
      {#each colourChangesMm as mm (mm)}
        {#if slicing.heightsMm[last] > mm}
          <span
            class="bg-warn absolute left-0 h-0.5 w-full"
            style="bottom: {(100 * mm) / slicing.heightsMm[last]}%"
            title={say.colourAt}
          ></span>
        {/if}
      {/each}
    </div>
    <span class="measured text-sm">0</span>
  </div>
</div>
<div class="flex flex-wrap items-center gap-4">
  <Button size="xs" color="alternative" onclick={play}>{timer ? say.stop : say.play}</Button>
  <span class="measured text-sm" data-testid="layer-words"
    >{say.layer(index + 1, last + 1, heightMm.toFixed(2))}</span
  >
  <label class="flex items-center gap-2 text-sm"
    >{say.along}<input
      type="range"
      min="0"
      max="1"
      step="0.005"
      bind:value={along}
      class="accent-primary-700 w-40"
    /></label
  >
  <ul class="ml-auto flex flex-wrap gap-3 text-sm">
    {#each Object.entries(roleColours).filter(([role]) => present.has(role as Role)) as [role, colour] (role)}
      <li class="flex items-center gap-1">
        <span class="h-1.5 w-5 rounded" style="background: {colour}"></span>{say.roles[role as Role]}
      </li>
    {/each}
    {#if slicing.shown && slicing.shown.hanging.length > 0}
      <li class="text-fail flex items-center gap-1 font-semibold" data-testid="hanging">
        <span
          class="h-2 w-5 rounded"
          style="background: repeating-linear-gradient(60deg, {HANGING} 0 2px, #3B4747 2px 5px)"
        ></span>{say.hanging}
      </li>
    {/if}
  </ul>
</div>
