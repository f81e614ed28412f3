<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { inMoney } from '@kelbrin/core/inspect';
  import { spoolTexts } from '$lib/texts/spools';
  import { materialTexts as say } from '$lib/texts/materials';
  import AskFirst from '$lib/ui/AskFirst.svelte';
  import MaterialForm from './MaterialForm.svelte';

  let { data, form } = $props();

  /** What the usual values are known of. */
  const usual = ['PLA', 'PETG', 'TPU', 'ABS', 'ASA'];
  const saved = $derived(form && 'saved' in form ? form.saved : undefined);
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-4xl p-6">
  <div class="mb-1 flex items-baseline gap-4">
    <a href="/printers" class="text-primary-800 underline underline-offset-2">{say.back}</a>
    <h1>{say.title}</h1>
  </div>
  <p class="text-ink-soft mb-4">{say.what}</p>
  {#if form && 'message' in form}
    <p role="alert" class="border-fail bg-fail-wash mb-4 border-l-4 px-3 py-2">{form.message}</p>
  {:else if saved}
    <p role="status" class="border-pass bg-pass-wash mb-4 border-l-4 px-3 py-2">{say.saved}</p>
  {/if}
  <ul class="mb-6 flex flex-col gap-3">
    {#each data.materials as material (material.id)}
      <li class="sheet p-4" aria-label={material.name}>
        <details>
          <summary class="cursor-pointer" aria-label={say.open(material.name)}>
            <strong>{material.name}</strong>
            <span class="text-ink-soft text-sm"
              >{say.short(material.needs.nozzleC, material.needs.bedC)}{#if material.pricePerKg !== null}, {spoolTexts.perKg(
                  inMoney(material.pricePerKg, data.school.currency),
                )}{/if}</span
            >
            {#if material.drying}<span class="text-ink-soft block text-sm">{material.drying}</span>{/if}
          </summary>
          <div class="mt-4 flex flex-col gap-2">
            <MaterialForm {material} currency={data.school.currency} />
            <div class="self-end">
              <AskFirst
                label={say.remove}
                name={say.removeNamed(material.name)}
                title={say.removeTitle(material.name)}
                what={say.removeWhat}
                action="?/remove"
                fields={{ id: material.id }}
              />
            </div>
          </div>
        </details>
      </li>
    {:else}
      <li class="text-ink-soft">{say.none}</li>
    {/each}
  </ul>
  {#if data.begun && !saved}
    <section class="sheet p-4" aria-label={say.newOne}>
      <h2 class="mb-3">{say.newOne}</h2>
      {#key data.begun.name}<MaterialForm material={data.begun} currency={data.school.currency} />{/key}
    </section>
  {:else}
    <form method="GET" class="sheet flex flex-wrap items-end gap-3 p-4">
      <label class="flex flex-col gap-1">
        {say.begin}
        <select name="like" class="border-hairline w-40 rounded py-1 pr-8 pl-2">
          {#each usual as name (name)}<option>{name}</option>{/each}
        </select>
      </label>
      <Button type="submit" color="alternative">{say.noteIt}</Button>
    </form>
  {/if}
</main>
