<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button } from 'flowbite-svelte';
  import { follow } from '$lib/live/follow.svelte';
  import { isByHand, type Connection } from '$lib/shared/connection';
  import AskFirst from '$lib/ui/AskFirst.svelte';
  import KeptInput from '$lib/ui/KeptInput.svelte';
  import KeptSelect from '$lib/ui/KeptSelect.svelte';
  import ConnectionFields from './ConnectionFields.svelte';
  import { materialTexts } from '$lib/texts/materials';
  import { printersTexts as say } from '$lib/texts/printers';

  let { data, form } = $props();

  follow(() => ['printroom']);
</script>

{#snippet fields(printer: { name: string; model: string; sheetId: string | null; connection: Connection })}
  <label
    >{say.name} <KeptInput name="name" class="mt-1 w-28" maxlength={24} kept={printer.name} required /></label
  >
  <label>{say.model} <KeptInput name="model" class="mt-1 w-40" maxlength={60} kept={printer.model} /></label>
  <label class="flex flex-col"
    >{say.sheet}
    <KeptSelect
      name="sheetId"
      class="mt-1 w-40"
      kept={printer.sheetId ?? ''}
      items={[{ value: '', name: say.noSheet }, ...data.sheets.map(({ id, name }) => ({ value: id, name }))]}
    /></label
  >
  <ConnectionFields kept={printer.connection} ports={data.ports} cards={data.cards} />
{/snippet}

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-6xl p-6">
  <div class="mb-1 flex flex-wrap items-baseline gap-x-4 gap-y-1">
    <a href="/print-room" class="text-primary-800 underline underline-offset-2">{say.back}</a>
    <h1>{say.title}</h1>
    <a href="/materials" class="text-primary-800 ml-auto underline underline-offset-2"
      >{materialTexts.title}</a
    >
    <a href="/machines" class="text-primary-800 underline underline-offset-2">{say.sheets}</a>
  </div>
  <p class="text-ink-soft mb-4">{say.what}</p>
  {#if form?.message}<p role="alert" class="border-fail bg-fail-wash mb-4 border-l-4 px-3 py-2">
      {form.message}
    </p>{/if}
  <ul class="sheet divide-hairline mb-6 divide-y">
    {#each data.printers as printer (printer.id)}
      <li class="flex flex-wrap items-end gap-3 px-4 py-3" aria-label={say.printer(printer.name)}>
        <form method="POST" action="?/change" use:enhance class="contents">
          <input type="hidden" name="printer" value={printer.id} />
          {@render fields(printer)}
          <Button type="submit" size="sm" color="alternative">{say.save}</Button>
        </form>
        <span class="mb-1.5 ml-auto {printer.status?.online ? 'text-pass' : 'text-warn-ink'}"
          >{isByHand(printer.connection)
            ? say.byHand
            : printer.status?.online
              ? say.answers
              : say.silent}</span
        >
        <AskFirst
          label={say.retire}
          name={say.retireNamed(printer.name)}
          title={say.retireTitle(printer.name)}
          what={say.retireWhat}
          action="?/retire"
          fields={{ printer: printer.id }}
          size="sm"
        />
      </li>
    {:else}
      <li class="text-ink-soft px-4 py-3">{say.none}</li>
    {/each}
  </ul>
  <form
    method="POST"
    action="?/add"
    class="sheet flex flex-wrap items-end gap-3 p-4"
    aria-label={say.add}
    use:enhance
  >
    {@render fields({ name: '', model: '', sheetId: null, connection: data.newConnection })}
    <Button type="submit" color="alternative">{say.add}</Button>
  </form>
  {#if data.retired.length > 0}
    <section class="mt-6" aria-label={say.retired}>
      <h2 class="mb-1">{say.retired}</h2>
      <ul class="sheet divide-hairline divide-y">
        {#each data.retired as { id, name, model } (id)}
          <li class="flex items-center gap-4 px-4 py-2">
            <strong>{name}</strong>
            <span class="text-ink-soft">{model}</span>
            <form method="POST" action="?/bringBack" use:enhance class="ml-auto">
              <input type="hidden" name="printer" value={id} />
              <Button type="submit" size="xs" color="alternative">{say.bringBack(name)}</Button>
            </form>
          </li>
        {/each}
      </ul>
    </section>
  {/if}
</main>
