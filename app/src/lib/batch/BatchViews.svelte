<script lang="ts" module>
  export type BatchView = 'plate' | 'layers' | 'section';
</script>

<script lang="ts">
  import type { Snippet } from 'svelte';
  import { Button } from 'flowbite-svelte';
  import { batchTexts as say } from '$lib/texts/batch';

  /** Chooses how a batch is looked at; what can be done in a view stands beside it. */
  interface Props {
    view: BatchView;
    children?: Snippet;
  }
  let { view = $bindable(), children }: Props = $props();
  const views: readonly BatchView[] = ['plate', 'layers', 'section'];
</script>

<div class="flex flex-wrap items-center gap-2" role="group" aria-label={say.views}>
  {#each views as each (each)}
    <Button size="xs" color={view === each ? 'primary' : 'alternative'} onclick={() => (view = each)}
      >{say[each]}</Button
    >
  {/each}
  {@render children?.()}
</div>
