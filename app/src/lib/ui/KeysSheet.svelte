<script lang="ts">
  import Dialog from '$lib/ui/Dialog.svelte';
  import type { Snippet } from 'svelte';
  import { frameTexts as say } from '$lib/texts/frame';

  interface Props {
    open: boolean;
    /** Keys, and what they do. */
    keys: readonly (readonly [string, string])[];
    /** What else there is to say. */
    children?: Snippet;
  }
  let { open = $bindable(false), keys, children }: Props = $props();
</script>

<Dialog bind:open title={say.keys} size="md">
  <dl class="grid grid-cols-[auto_1fr] gap-x-6 gap-y-1.5">
    {#each keys as [key, does] (key)}
      <dt class="measured whitespace-nowrap">{key}</dt>
      <dd>{does}</dd>
    {/each}
  </dl>
  {@render children?.()}
</Dialog>
