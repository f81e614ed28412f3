<script lang="ts">
  import BriefEditor from '$lib/briefs/BriefEditor.svelte';
  import { briefPage as say } from '$lib/texts/briefPage';

  let { data, form } = $props();
</script>

<svelte:head><title>{data.draft.title || say.untitled} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-4xl p-6">
  <div class="mb-4 flex items-baseline gap-4">
    <a href="/class/{data.classId}" class="text-primary-800 underline underline-offset-2">{say.back}</a>
    <h1>{data.draft.title || say.untitled}</h1>
    <span class="text-ink-soft">{say.of(data.className)}</span>
  </div>
  {#if form && 'message' in form}
    <p role="alert" class="border-fail bg-fail-wash mb-4 border-l-4 px-3 py-2">{form.message}</p>
  {/if}
  {#if form && 'isInLibrary' in form}
    <p role="status" class="border-pass bg-pass-wash mb-4 border-l-4 px-3 py-2">{say.isKept}</p>
  {/if}
  <BriefEditor draft={data.draft} begun={data.begun} isShown={data.isShown} classes={data.classes} />
</main>
