<script lang="ts">
  import KeysSheet from '$lib/ui/KeysSheet.svelte';
  import { benchTexts as say } from '$lib/texts/bench';
  import { benchKeys } from '$lib/texts/benchKeys';
  import type { Autosave } from './state/autosave.svelte';
  import WordsChoice from './WordsChoice.svelte';

  interface Props {
    open: boolean;
    autosave: Autosave;
  }
  let { open = $bindable(), autosave }: Props = $props();
</script>

<KeysSheet bind:open keys={benchKeys}>
  <WordsChoice {autosave} />
  <p class="text-ink-soft">
    {say.arithmetic} <span class="measured">2in</span>, <span class="measured">cane + 0.4</span>,
    <span class="measured">width / 2</span>.
  </p>
  <p class="text-ink-soft">
    {say.measuresInWords} <span class="measured">{'Ø {cane}'}</span>.
  </p>
</KeysSheet>
