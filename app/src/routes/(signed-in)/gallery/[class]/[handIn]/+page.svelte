<script lang="ts">
  import PartToLookAt from '$lib/sharing/PartToLookAt.svelte';
  import { galleryTexts as say } from '$lib/texts/gallery';
  import { sharingTexts } from '$lib/texts/sharing';

  let { data } = $props();
</script>

<svelte:head><title>{sharingTexts.title(data.student, data.brief)} · Kelbrin</title></svelte:head>

<main class="flex h-[calc(100vh-var(--bar-height))] flex-col">
  <div class="border-hairline flex h-12 shrink-0 items-center gap-3 border-b bg-white px-4">
    <a class="text-primary-800 underline underline-offset-2" href="/gallery/{data.classId}">{say.back}</a>
    <h1 class="truncate text-lg">{sharingTexts.title(data.student, data.brief)}</h1>
    <span class="text-ink-soft">{sharingTexts.version(data.part, data.number)}</span>
  </div>
  <PartToLookAt
    recipe={data.recipe}
    limits={data.limits}
    filesAt="/gallery/{data.classId}/{data.handInId}/file"
  />
</main>
