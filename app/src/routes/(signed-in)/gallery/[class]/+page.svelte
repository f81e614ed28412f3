<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button } from 'flowbite-svelte';
  import { galleryTexts as say } from '$lib/texts/gallery';

  let { data } = $props();
  const { group, pieces } = $derived(data);
</script>

<svelte:head><title>{say.of(group.name)} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-6xl p-6">
  <div class="mb-1 flex items-center gap-4">
    <h1>{say.of(group.name)}</h1>
    {#if data.person?.role === 'teacher'}
      <form method="POST" action="?/set" class="ml-auto flex items-center gap-3" use:enhance>
        {#if !group.isOpen}<span class="text-ink-soft">{say.closed}</span>{/if}
        <Button
          type="submit"
          name="open"
          value={group.isOpen ? 'no' : 'yes'}
          size="sm"
          color={group.isOpen ? 'alternative' : 'primary'}>{group.isOpen ? say.close : say.open}</Button
        >
      </form>
    {/if}
  </div>
  <p class="text-ink-soft mb-4">{say.what}</p>
  <ul class="grid grid-cols-[repeat(auto-fill,minmax(240px,1fr))] gap-4">
    {#each pieces as { id, part, student, brief } (id)}
      <li>
        <a
          class="sheet hover:border-primary-700 block p-3"
          href="/gallery/{group.id}/{id}"
          aria-label={say.look(student)}
        >
          <img
            src="/picture/hand-in/{id}"
            alt={part}
            width="240"
            height="150"
            class="w-full"
            loading="lazy"
          />
          <span class="mt-2 block">{say.by(student, brief)}</span>
        </a>
      </li>
    {:else}
      <li class="text-ink-soft">{say.none}</li>
    {/each}
  </ul>
</main>
