<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button } from 'flowbite-svelte';
  import KeptSelect from '$lib/ui/KeptSelect.svelte';
  import { libraryTexts as say } from '$lib/texts/library';
  import { longDay } from '$lib/ui/times';

  let { data } = $props();

  const items = $derived(data.classes.map(({ id, name }) => ({ value: id, name })));
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-4xl p-6">
  <div class="mb-1 flex items-baseline gap-4">
    <a href="/class" class="text-primary-800 underline underline-offset-2">{say.back}</a>
    <h1>{say.title}</h1>
  </div>
  <p class="text-ink-soft mb-4">{say.what}</p>
  <ul class="flex flex-col gap-3">
    {#each data.kept as { id, title, words, requirements, prompts, keptAt } (id)}
      <li class="sheet p-4">
        <div class="flex items-baseline gap-4">
          <h2>{title}</h2>
          <span class="text-ink-soft text-sm"
            >{say.asks(requirements, prompts)}, {say.kept(longDay(keptAt))}</span
          >
        </div>
        <p class="mt-1 line-clamp-2">{words}</p>
        <div class="mt-3 flex items-end gap-3">
          <form method="POST" action="?/set" class="flex items-center gap-2" use:enhance>
            <input type="hidden" name="kept" value={id} />
            <span class="text-ink-soft">{say.forClass}</span>
            <KeptSelect
              name="class"
              class="w-64 py-2"
              aria-label={say.setFor(title)}
              {items}
              kept={items[0]?.value ?? null}
            />
            <Button type="submit" size="sm">{say.set}</Button>
          </form>
          <form method="POST" action="?/drop" class="ml-auto" use:enhance>
            <input type="hidden" name="kept" value={id} />
            <Button type="submit" size="sm" color="alternative" aria-label={say.dropIt(title)}
              >{say.drop}</Button
            >
          </form>
        </div>
      </li>
    {:else}
      <li class="text-ink-soft">{say.none}</li>
    {/each}
  </ul>
</main>
