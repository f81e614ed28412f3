<script lang="ts">
  import CircleQuestionMark from '@lucide/svelte/icons/circle-question-mark';
  import Download from '@lucide/svelte/icons/download';
  import RotateCcwClock from '@lucide/svelte/icons/rotate-ccw-clock';
  import Redo2 from '@lucide/svelte/icons/redo-2';
  import Undo2 from '@lucide/svelte/icons/undo-2';
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

<button
  type="button"
  class="hover:bg-ground disabled:text-hairline ml-4 rounded p-1.5"
  aria-label={say.undo}
  disabled={!bench.history.canUndo}
  onclick={() => bench.undo()}
>
  <Undo2 size={18} />
</button>
<button
  type="button"
  class="hover:bg-ground disabled:text-hairline rounded p-1.5"
  aria-label={say.redo}
  disabled={!bench.history.canRedo}
  onclick={() => bench.redo()}
>
  <Redo2 size={18} />
</button>
<button type="button" class="hover:bg-ground rounded p-1.5" aria-label={say.versions} onclick={onversions}>
  <RotateCcwClock size={18} />
</button>
<button type="button" class="hover:bg-ground rounded p-1.5" aria-label={say.keys} onclick={onkeys}>
  <CircleQuestionMark size={18} />
</button>
<button
  type="button"
  class="hover:bg-ground disabled:text-hairline rounded p-1.5"
  aria-label={say.export}
  disabled={!bench.isCurrent || !bench.solid || bench.solid.mesh.triangles.length === 0}
  onclick={onexport}
>
  <Download size={18} />
</button>
