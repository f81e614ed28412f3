<script lang="ts">
  import { onMount } from 'svelte';
  import '../app.css';
  import { beforeNavigate } from '$app/navigation';
  import { leaveFirstPage } from '$lib/live/pageAsked';
  import TopBar from '$lib/ui/TopBar.svelte';

  let { data, children } = $props();

  beforeNavigate(leaveFirstPage);
  // Everything on the page is alive before its layout is; early.js waits for this.
  onMount(() => void dispatchEvent(new Event('kelbrin:alive')));
</script>

<div class="flex min-h-full flex-col">
  {#if data.person}<TopBar person={data.person} unseen={data.unseen} />{/if}
  {@render children()}
</div>
