<script lang="ts">
  import { page } from '$app/state';
  import LogTable from '$lib/ui/LogTable.svelte';
  import { logTexts as say } from '$lib/texts/log';

  let { data } = $props();
</script>

<svelte:head><title>{say.title} · {data.className} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-4xl p-6">
  <div class="mb-1 flex items-baseline gap-4">
    <a href="/class/{page.params.class}" class="text-primary-800 underline underline-offset-2">{say.back}</a>
    <h1>{say.of(data.className)}</h1>
  </div>
  <p class="text-ink-soft mb-4">{say.what}</p>
  <LogTable lines={data.lines} />
  {#if data.more !== undefined}
    <p class="mt-3"><a class="underline underline-offset-2" href="?before={data.more}">{say.older}</a></p>
  {/if}
</main>
