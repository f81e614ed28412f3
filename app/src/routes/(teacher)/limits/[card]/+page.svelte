<script lang="ts">
  import CardEditor from './CardEditor.svelte';
  import { limitsTexts as say } from '$lib/texts/limits';

  let { data, form } = $props();
</script>

<svelte:head><title>{data.draft.name} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-4xl p-6">
  <div class="mb-4 flex items-baseline gap-4">
    <a href="/limits" class="text-primary-800 underline underline-offset-2">{say.back}</a>
    <h1>{data.draft.name}</h1>
  </div>
  {#if form && 'message' in form}
    <p role="alert" class="border-fail bg-fail-wash mb-4 border-l-4 px-3 py-2">{form.message}</p>
  {/if}
  <CardEditor draft={data.draft} />
</main>
