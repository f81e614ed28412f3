<script lang="ts">
  import { languageTag } from '@kelbrin/core/words';
  import { Radio } from 'flowbite-svelte';
  import type { Autosave } from './state/autosave.svelte';
  import { keepWordsLevel, languageIn, type WordsLevel } from './wordsChoice';
  import { benchTexts as say } from '$lib/texts/bench';

  interface Props {
    autosave: Autosave;
  }
  let { autosave }: Props = $props();

  const hasPlain = languageIn('plain').tag !== languageIn('trade').tag;
  const level: WordsLevel = languageTag() === languageIn('plain').tag ? 'plain' : 'trade';

  /** Has the page speak in other words from its beginning. */
  async function choose(chosen: WordsLevel): Promise<void> {
    keepWordsLevel(chosen);
    await autosave.flush();
    location.reload();
  }
</script>

{#if hasPlain}
  <fieldset class="my-2 flex flex-wrap items-center gap-x-4 gap-y-1">
    <legend class="float-left mr-2 font-semibold">{say.words}</legend>
    {#each ['trade', 'plain'] as const as each (each)}
      <Radio name="words" value={each} group={level} onchange={() => choose(each)}>
        {say.wordsLevels[each]}
      </Radio>
    {/each}
  </fieldset>
{/if}
