<script lang="ts">
  import { machinesTexts as say } from '$lib/texts/machines';
  import SheetEditor from './SheetEditor.svelte';

  let { data, form } = $props();
</script>

<svelte:head><title>{data.sheet.name} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-4xl p-6">
  <div class="mb-4 flex items-baseline gap-4">
    <a href="/machines" class="text-primary-800 underline underline-offset-2">{say.backToSheets}</a>
    <h1>{data.sheet.name}</h1>
  </div>
  {#if form && 'message' in form}
    <p role="alert" class="border-fail bg-fail-wash mb-4 border-l-4 px-3 py-2">{form.message}</p>
  {/if}
  <SheetEditor sheet={data.sheet} batch={data.batch} />
</main>
