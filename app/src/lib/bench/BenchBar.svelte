<script lang="ts">
  import CircleQuestionMark from '@lucide/svelte/icons/circle-question-mark';
  import Download from '@lucide/svelte/icons/download';
  import RotateCcwClock from '@lucide/svelte/icons/rotate-ccw-clock';
  import Redo2 from '@lucide/svelte/icons/redo-2';
  import Undo2 from '@lucide/svelte/icons/undo-2';
  import type { Component } from 'svelte';
  import type { BenchState } from './state/bench.svelte';
  import { benchTexts as say } from '$lib/texts/bench';

  /** The buttons beside the title: undo and redo, versions, keys, and files. */
  interface Props {
    bench: BenchState;
    onversions(): void;
    onkeys(): void;
    onexport(): void;
  }
  let { bench, onversions, onkeys, onexport }: Props = $props();
</script>

{#snippet tool(Icon: Component<{ size: number }>, label: string, onclick: () => void, isOff = false)}
  <button
    type="button"
    class="hover:bg-ground disabled:text-hairline inline-flex items-center justify-center rounded p-1.5"
    aria-label={label}
    disabled={isOff}
    {onclick}
  >
    <Icon size={18} />
  </button>
{/snippet}

<span class="ml-4 flex gap-2 max-sm:ml-0 max-sm:gap-0">
  {@render tool(Undo2, say.undo, () => bench.undo(), !bench.history.canUndo)}
  {@render tool(Redo2, say.redo, () => bench.redo(), !bench.history.canRedo)}
  {@render tool(RotateCcwClock, say.versions, onversions)}
  {@render tool(CircleQuestionMark, say.keys, onkeys)}
  {@render tool(Download, say.export, onexport, !bench.problem && !bench.solid?.mesh.triangles.length)}
</span>
