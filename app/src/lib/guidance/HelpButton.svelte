<script lang="ts">
  import Hand from '@lucide/svelte/icons/hand';
  import { sendJson } from '$lib/ui/send';
  import { guidanceTexts as say } from '$lib/texts/guidance';

  let { projectId, asks }: { projectId: string; asks: boolean } = $props();

  /** What was pressed here, until the server tells the same. */
  let pressed = $state<boolean>();
  const isAsking = $derived(pressed ?? asks);
  $effect(() => {
    if (asks === pressed) pressed = undefined;
  });

  async function toggle(): Promise<void> {
    pressed = !isAsking;
    await sendJson('PUT', `/bench/${projectId}/help`, { asks: pressed }).catch(() => {
      pressed = undefined;
    });
  }
</script>

<button
  type="button"
  class="flex items-center gap-1.5 rounded border px-2 py-1 text-sm {isAsking
    ? 'border-warn bg-warn-wash text-warn-ink font-semibold'
    : 'border-hairline hover:bg-ground'}"
  aria-pressed={isAsking}
  title={isAsking ? say.helpWhat : undefined}
  onclick={toggle}
>
  <Hand size={16} aria-hidden="true" /><span class="max-sm:sr-only"
    >{isAsking ? say.helpAsked : say.help}</span
  >
</button>
