<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { restingFaces } from '@kelbrin/core/mesh';
  import { faceWords } from '@kelbrin/core/recipe';
  import type { BenchState } from '../state/bench.svelte';
  import { benchTexts as say } from '$lib/texts/bench';

  let { bench }: { bench: BenchState } = $props();

  const faces = $derived(bench.solid ? restingFaces(bench.solid.mesh).slice(0, 12) : []);
</script>

<div
  class="border-hairline absolute top-3 left-3 z-10 w-64 rounded border bg-white p-2 text-sm shadow"
  role="group"
  aria-label={say.faces}
>
  <div class="mb-1 flex items-center">
    <strong>{say.chooseFace}</strong>
    <button
      type="button"
      class="hover:bg-ground ml-auto rounded p-1"
      aria-label={say.close}
      onclick={() => (bench.pickingFace = undefined)}><X size={14} /></button
    >
  </div>
  {#each faces as { normal, areaMm2, triangles }, i (i)}
    <button
      type="button"
      class="hover:bg-primary-50 flex w-full justify-between rounded px-2 py-0.5 text-left"
      onclick={() => bench.pickFace(normal)}
      onpointerenter={() => (bench.hatched = { triangles, verdict: 'pass' })}
      onpointerleave={() => (bench.hatched = undefined)}
    >
      <span>{normal[2] < -0.999 ? say.facesDown : faceWords({ normal: [...normal] })}</span>
      <span class="measured">{areaMm2.toFixed(0)} mm²</span>
    </button>
  {/each}
</div>
