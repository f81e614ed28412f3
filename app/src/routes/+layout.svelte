<script lang="ts">
  import { onMount } from 'svelte';
  import '../app.css';
  import { afterNavigate, beforeNavigate } from '$app/navigation';
  import { page } from '$app/state';
  import { leaveFirstPage } from '$lib/live/pageAsked';
  import TopBar from '$lib/ui/TopBar.svelte';
  import { formRefusal } from '$lib/ui/formRefusal.svelte';
  import FormRefusal from '$lib/ui/FormRefusal.svelte';

  let { data, children } = $props();

  /** Goes from one hand-in to the next itself, and keeps what is written on each. */
  const GOES_ON = '/(teacher)/review/[handIn]';
  const subject = $derived(page.route.id === GOES_ON ? '' : JSON.stringify(page.params));

  beforeNavigate(leaveFirstPage);
  afterNavigate(() => (formRefusal.words = undefined));
  // Everything on the page is alive before its layout is; early.js waits for this.
  onMount(() => void dispatchEvent(new Event('kelbrin:alive')));
</script>

<div class="flex min-h-full flex-col">
  {#if data.person}<TopBar person={data.person} unseen={data.unseen} />{/if}
  <!-- Another class, batch or run is another page: nothing that was typed or chosen on the one is left on the other. -->
  {#key subject}{@render children()}{/key}
  <FormRefusal />
</div>
