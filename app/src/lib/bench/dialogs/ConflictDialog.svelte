<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import Dialog from '$lib/ui/Dialog.svelte';
  import type { Autosave } from '../state/autosave.svelte';
  import { benchTexts as say } from '$lib/texts/bench';

  interface Props {
    autosave: Autosave;
  }
  let { autosave }: Props = $props();
</script>

<Dialog open={autosave.state === 'conflict'} title={say.changedElsewhere} mustAnswer size="sm">
  {#if autosave.clashes.length > 0}
    <p>{say.bothChanged}</p>
    {#each autosave.clashes as { part, changes } (part?.id)}
      {#if part && autosave.clashes.length > 1}<p class="mt-2 font-medium">{part.name}</p>{/if}
      <ul class="list-disc pl-5">
        {#each changes as { words }, i (i)}<li>{words}</li>{/each}
      </ul>
    {/each}
    <p class="text-ink-soft">{say.theRestIsIn}</p>
  {:else}
    <p>{say.whichState}</p>
    <p class="text-ink-soft">{say.notLost}</p>
  {/if}
  {#snippet footer()}
    <Button onclick={() => autosave.keepMine()}>{say.keepMine}</Button>
    <Button color="alternative" onclick={() => autosave.takeTheirs()}>{say.takeTheirs}</Button>
  {/snippet}
</Dialog>
