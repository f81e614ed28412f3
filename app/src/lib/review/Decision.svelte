<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { WaiverLine } from '$lib/server/handIns/waivers';
  import { enhance } from '$lib/ui/enhance';
  import { reviewTexts as say } from '$lib/texts/review';
  import WaiverList from './WaiverList.svelte';

  /** What was decided on a hand-in, which can be undone. */
  interface Props {
    handIn: {
      readonly state: string;
      readonly comment: string | null;
      readonly doubt: string | null;
    };
    waivers: WaiverLine[];
    undoing: HTMLFormElement | undefined;
  }
  let { handIn, waivers, undoing = $bindable() }: Props = $props();
</script>

{#if handIn.state === 'approved'}
  <p>{say.approved} <a class="underline" href="/queue">{say.queue}</a>.</p>
  <WaiverList {waivers} />
  {#if handIn.doubt}<p class="text-fail" data-testid="doubt">{handIn.doubt} {say.doubt}</p>{/if}
{:else}
  <p>{say.sentBack}{handIn.comment ? ` “${handIn.comment}”` : ''}</p>
{/if}
<form method="POST" action="?/undo" use:enhance bind:this={undoing}>
  <Button type="submit" color="alternative" class="w-full">{say.undo}</Button>
</form>
