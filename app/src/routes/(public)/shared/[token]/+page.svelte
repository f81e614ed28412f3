<script lang="ts">
  import PartToLookAt from '$lib/sharing/PartToLookAt.svelte';
  import { sharingTexts as say } from '$lib/texts/sharing';
  import { longDay } from '$lib/ui/times';

  let { data } = $props();
</script>

<svelte:head>
  <title>{say.title(data.student, data.brief)} · Kelbrin</title>
  <meta name="robots" content="noindex" />
</svelte:head>

<main class="flex h-screen flex-col">
  <div class="border-hairline flex h-12 shrink-0 items-center gap-3 border-b bg-white px-4">
    <img src="/icon.svg" alt="" class="h-6 w-6" />
    <h1 class="truncate text-lg">{say.title(data.student, data.brief)}</h1>
    <span class="text-ink-soft">{say.version(data.part, data.number)}</span>
    <span class="text-ink-soft ml-auto text-sm">{say.until(longDay(data.expiresAt))}</span>
  </div>
  <PartToLookAt recipe={data.recipe} limits={data.limits} filesAt="/shared/{data.token}/file" />
</main>
