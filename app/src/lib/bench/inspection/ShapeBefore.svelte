<script lang="ts">
  import type { BenchState } from '../state/bench.svelte';
  import { benchTexts as say } from '$lib/texts/bench';

  interface Props {
    bench: BenchState;
  }
  let { bench }: Props = $props();
</script>

<!-- What is drawn is of the recipe as it stands, or says that it is not. -->
{#if bench.solid && bench.problem && !bench.isCurrent}
  <p
    class="border-warn bg-warn-wash absolute right-3 bottom-14 z-10 max-w-72 rounded border px-3 py-1 text-sm"
    role="status"
    data-testid="shape-before"
  >
    {say.shapeBefore}
  </p>
{/if}
