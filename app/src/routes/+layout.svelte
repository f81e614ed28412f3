<script lang="ts">
  import '../app.css';
  import TopBar from '$lib/ui/TopBar.svelte';

  let { data, children } = $props();
</script>

<div class="flex min-h-full flex-col">
  {#if data.person}<TopBar person={data.person} unseen={data.unseen} />{/if}
  {@render children()}
</div>
