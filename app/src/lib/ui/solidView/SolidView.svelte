<script lang="ts">
  import { Canvas } from '@threlte/core';
  import { NoToneMapping, WebGLRenderer } from 'three';
  import type { SolidMesh } from '@kelbrin/core/mesh';
  import type { Region } from '@kelbrin/core/recipe';
  import Scene from './Scene.svelte';
  import { drawsInSoftware } from './fineness';
  import { tone, type Tone } from './geometry';
  import { views, type View } from './views';

  interface Props {
    mesh: SolidMesh;
    /** The edges that are drawn, both ends of each. */
    edges: Float32Array;
    /** The colour of the filament, #rrggbb. */
    colour: string;
    /** The build plate's width and depth. */
    bedMm: readonly [number, number];
    /** The index of the step whose surface is marked. */
    markedStep?: number;
    /** A finding's place, hatched by its verdict. */
    hatched?: { triangles: readonly number[]; verdict: 'pass' | 'warn' | 'fail' };
    /** The height at which the part is cut, with the section there. */
    cut?: { zMm: number; region?: Region };
    /** Which way it is looked at; looking anew, also the same way, counts up `turns`. */
    view?: { name: View; turns: number };
    /** As an inset it leaves the buttons out. */
    isSmall?: boolean;
    onpick?(triangle: number | undefined): void;
  }
  let {
    mesh,
    edges,
    colour,
    bedMm,
    markedStep,
    hatched,
    cut,
    view = $bindable({ name: 'Corner', turns: 0 }),
    isSmall = false,
    onpick,
  }: Props = $props();

  /** Smoothing every frame is too much for a processor that draws. */
  const isSoftware = drawsInSoftware();

  const toneOf = $derived.by(() => {
    const trouble = new Set(hatched?.verdict === 'pass' ? [] : hatched?.triangles);
    const marked = new Set(hatched?.verdict === 'pass' ? hatched.triangles : []);
    const troubleTone = hatched?.verdict === 'warn' ? tone.warn : tone.fail;
    return (triangle: number): Tone => {
      if (trouble.has(triangle)) return troubleTone;
      const isMarked =
        marked.has(triangle) || (markedStep !== undefined && mesh.stepOf?.[triangle] === markedStep);
      return isMarked ? tone.marked : tone.plain;
    };
  });
</script>

<div
  class="relative h-full w-full overflow-hidden"
  data-testid="solid-view"
  data-triangles={mesh.triangles.length / 3}
>
  <Canvas
    renderMode="on-demand"
    toneMapping={NoToneMapping}
    shadows={false}
    createRenderer={(canvas) =>
      new WebGLRenderer({ canvas, antialias: !isSoftware, powerPreference: 'high-performance' })}
  >
    <Scene {isSoftware} {isSmall} {mesh} {edges} {colour} {bedMm} {toneOf} {cut} {view} {onpick} />
  </Canvas>
  {#if !isSmall}<div
      class="border-hairline absolute top-3 right-3 flex overflow-hidden rounded border bg-white"
      role="group"
      aria-label="View"
    >
      {#each Object.keys(views) as name (name)}
        <button
          type="button"
          class="hover:bg-primary-50 border-hairline px-2.5 py-1 text-sm not-first:border-l"
          onclick={() => (view = { name: name as View, turns: view.turns + 1 })}
        >
          {name}
        </button>
      {/each}
    </div>{/if}
</div>
