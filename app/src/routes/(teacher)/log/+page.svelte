<script lang="ts">
  import LogTable from '$lib/ui/LogTable.svelte';
  import { logTexts as say } from '$lib/texts/log';

  let { data } = $props();
  const also = $derived(data.withSignIns ? '&signIns' : '');
</script>

<svelte:head><title>{say.schoolTitle} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-4xl p-6">
  <div class="mb-1 flex items-baseline gap-4">
    <h1>{say.schoolTitle}</h1>
    <a class="ml-auto underline underline-offset-2" href={data.withSignIns ? '?' : '?signIns'}
      >{data.withSignIns ? say.withoutSignIns : say.withSignIns}</a
    >
  </div>
  <p class="text-ink-soft mb-4">{say.schoolWhat}</p>
  <LogTable lines={data.lines} />
  {#if data.more !== undefined}
    <p class="mt-3">
      <a class="underline underline-offset-2" href="?before={data.more}{also}">{say.older}</a>
    </p>
  {/if}
</main>
