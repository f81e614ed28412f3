<script lang="ts">
  import ReadOnlyRecipe from '$lib/review/ReadOnlyRecipe.svelte';
  import RecipeSolid from '$lib/review/RecipeSolid.svelte';
  import { sharingTexts as say } from '$lib/texts/sharing';

  let { data } = $props();

  let marked = $state<string>();
  let size = $state<string>();
  const day = (at: Date) => at.toLocaleDateString('en-GB', { day: 'numeric', month: 'long' });
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
    <span class="text-ink-soft ml-auto text-sm">{say.until(day(data.expiresAt))}</span>
  </div>
  <div class="flex min-h-0 flex-1 max-md:flex-col-reverse">
    <section
      class="border-hairline w-[360px] shrink-0 overflow-y-auto border-r bg-white max-md:w-full"
      aria-label={say.recipe}
    >
      <ReadOnlyRecipe recipe={data.recipe} {marked} onmark={(stepId) => (marked = stepId)} />
      {#if size}<p class="measured border-hairline border-t px-4 py-2">{size} mm</p>{/if}
    </section>
    <section class="min-h-64 min-w-0 flex-1" aria-label={say.solid}>
      <RecipeSolid
        filesAt="/shared/{data.token}/file"
        recipe={data.recipe}
        limits={data.limits}
        {marked}
        onmark={(stepId) => (marked = stepId)}
        oninspected={(found) => (size = found?.part.sizeMm.map((mm) => Math.round(mm * 10) / 10).join(' × '))}
      />
    </section>
  </div>
</main>
