<script lang="ts">
  import { Button, Modal } from 'flowbite-svelte';
  import type { Autosave } from '../state/autosave.svelte';
  import type { BenchState } from '../state/bench.svelte';
  import { benchTexts as say } from '$lib/texts/bench';

  interface Props {
    bench: BenchState;
    autosave: Autosave;
  }
  let { bench, autosave }: Props = $props();

  async function keepMine(): Promise<void> {
    if (autosave.theirs) bench.history.edited(autosave.theirs.design);
    await autosave.keepMine();
  }

  function takeTheirs(): void {
    const theirs = autosave.takeTheirs();
    if (theirs) bench.replace(theirs, 'saved');
  }
</script>

<Modal
  open={autosave.state === 'conflict'}
  title={say.changedElsewhere}
  aria-label={say.changedElsewhere}
  dismissable={false}
  size="sm"
>
  <p>{say.whichState}</p>
  <p class="text-ink-soft">{say.notLost}</p>
  {#snippet footer()}
    <Button onclick={keepMine}>{say.keepMine}</Button>
    <Button color="alternative" onclick={takeTheirs}>{say.takeTheirs}</Button>
  {/snippet}
</Modal>
