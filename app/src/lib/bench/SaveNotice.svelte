<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { Design } from '@kelbrin/core/design';
  import type { Autosave } from './state/autosave.svelte';
  import { benchTexts as say } from '$lib/texts/bench';

  interface Props {
    autosave: Autosave;
    design: Design;
    /** What a file of the project is called. */
    title: string;
  }
  let { autosave, design, title }: Props = $props();

  /** Puts words into a file on this computer. */
  function keepAsFile(words: string): void {
    const url = URL.createObjectURL(new Blob([words], { type: 'application/json' }));
    const link = document.createElement('a');
    link.href = url;
    link.download = `${title}.kelbrin.json`;
    link.click();
    URL.revokeObjectURL(url);
  }
</script>

{#if autosave.state === 'refused' || autosave.state === 'signedOut'}
  <div
    role="alert"
    class="border-warn bg-warn-wash flex shrink-0 items-center gap-3 border-b border-l-4 px-4 py-1.5 text-sm"
  >
    <span>
      {#if autosave.state === 'signedOut'}
        {say.signedOutWhat}
        <a class="underline underline-offset-2" href="/sign-in" target="_blank" rel="noopener">{say.signIn}</a
        >
      {:else}
        {say.refusedWhat} {autosave.refusal ?? ''}
      {/if}
    </span>
    <Button
      size="xs"
      color="alternative"
      class="ml-auto shrink-0"
      onclick={() => keepAsFile(JSON.stringify(design, null, 1))}>{say.keepAsFile}</Button
    >
  </div>
{/if}
{#each autosave.unread as unread (unread.key)}
  <div
    role="alert"
    class="border-warn bg-warn-wash flex shrink-0 items-center gap-3 border-b border-l-4 px-4 py-1.5 text-sm"
  >
    <span>{say.unreadWhat}</span>
    <Button size="xs" color="alternative" class="ml-auto shrink-0" onclick={() => keepAsFile(unread.words)}
      >{say.keepAsFile}</Button
    >
    <Button size="xs" color="alternative" class="shrink-0" onclick={() => autosave.forget(unread)}
      >{say.throwAway}</Button
    >
  </div>
{/each}
