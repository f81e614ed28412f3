<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button } from 'flowbite-svelte';
  import KeptInput from '$lib/ui/KeptInput.svelte';
  import { limitsTexts as say } from '$lib/texts/limits';

  let { data, form } = $props();
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-4xl p-6">
  <div class="mb-1 flex items-baseline gap-4">
    <h1>{say.title}</h1>
    <form method="POST" action="?/create" class="ml-auto" use:enhance>
      <Button type="submit" size="sm" color="alternative">{say.create}</Button>
    </form>
  </div>
  <p class="text-ink-soft mb-4">{say.what}</p>
  <ul class="flex flex-col gap-3">
    {#each data.cards as { id, name, printerModel, card, ownerId, classes } (id)}
      <li class="sheet flex items-center gap-4 p-4">
        <div class="flex-1">
          <a
            class="text-primary-800 font-semibold underline underline-offset-2"
            href="/limits/{id}"
            aria-label={say.open(name)}>{name}</a
          >
          <p class="text-ink-soft text-sm">
            {[printerModel, card.material, ownerId === null ? say.school : say.own, say.usedBy(classes)]
              .filter((words) => words !== '')
              .join(' · ')}
          </p>
        </div>
        <span class="measured text-sm">{card.buildVolumeMm.join(' × ')} mm</span>
        <form method="POST" action="?/create" use:enhance>
          <input type="hidden" name="like" value={id} />
          <Button type="submit" size="xs" color="alternative">{say.copy}</Button>
        </form>
      </li>
    {/each}
  </ul>
  <form method="POST" action="?/currency" use:enhance class="mt-6 flex items-center gap-2">
    <label class="flex items-center gap-2">
      {say.currency}
      <KeptInput
        name="currency"
        class="measured w-20 p-2 uppercase"
        maxlength={3}
        kept={data.school.currency}
      />
    </label>
    <Button type="submit" size="xs" color="alternative">{say.setCurrency}</Button>
    {#if form?.message}<span role="alert" class="text-fail">{form.message}</span>{/if}
  </form>
</main>
