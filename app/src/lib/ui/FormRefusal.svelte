<script lang="ts">
  import { frameTexts as say } from '$lib/texts/frame';
  import { formRefusal } from './formRefusal.svelte';

  /** Says why a form was not taken, over whatever is shown, dialogs as well. */
  let strip = $state<HTMLDivElement>();
  $effect(() => {
    if (!formRefusal.words) return;
    strip?.showPopover();
    return () => strip?.hidePopover();
  });
</script>

<div
  bind:this={strip}
  popover="manual"
  role="alert"
  class="border-fail bg-fail-wash text-ink fixed inset-x-4 top-auto bottom-4 mx-auto max-w-xl rounded border p-3 shadow-lg"
>
  {#if formRefusal.words}
    <span class="flex items-start gap-3">
      <span class="flex-1">{formRefusal.words} {say.stillHere}</span>
      <button
        type="button"
        class="-my-2 -mr-2 min-h-11 min-w-11"
        aria-label={say.close}
        onclick={() => (formRefusal.words = undefined)}>×</button
      >
    </span>
  {/if}
</div>
