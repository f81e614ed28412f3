<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { plateSize } from '@kelbrin/core/machine';
  import { enhance } from '$lib/ui/enhance';
  import KeptSelect from '$lib/ui/KeptSelect.svelte';
  import { machinesTexts as say } from '$lib/texts/machines';

  let { data } = $props();
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-4xl p-6">
  <div class="mb-1 flex items-baseline gap-4">
    <a href="/printers" class="text-primary-800 underline underline-offset-2">{say.back}</a>
    <h1>{say.title}</h1>
  </div>
  <p class="text-ink-soft mb-4">{say.what}</p>
  <ul class="mb-6 flex flex-col gap-3">
    {#each data.sheets as { id, name, sheet, printers } (id)}
      <li class="sheet flex items-center gap-4 p-4" aria-label={name}>
        <div class="flex-1">
          <a class="text-primary-800 font-semibold underline underline-offset-2" href="/machines/{id}"
            >{name}</a
          >
          <p class="text-ink-soft text-sm">{say.usedBy(printers)}</p>
        </div>
        <span class="measured text-sm">{[...plateSize(sheet.plate), sheet.heightMm].join(' × ')} mm</span>
        <form method="POST" action="?/create" use:enhance>
          <input type="hidden" name="like" value={id} />
          <Button type="submit" size="xs" color="alternative" aria-label={say.copyNamed(name)}
            >{say.copy}</Button
          >
        </form>
      </li>
    {:else}
      <li class="text-ink-soft">{say.none}</li>
    {/each}
  </ul>
  <form method="POST" action="?/create" class="sheet flex flex-wrap items-end gap-3 p-4" use:enhance>
    <label>
      {say.begin}
      <KeptSelect
        name="example"
        class="mt-1 w-56"
        kept={data.examples[0]}
        items={data.examples.map((name) => ({ value: name, name }))}
      />
    </label>
    <Button type="submit" color="alternative">{say.create}</Button>
  </form>
</main>
