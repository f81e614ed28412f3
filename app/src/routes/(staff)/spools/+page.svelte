<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button, Input } from 'flowbite-svelte';
  import type { SubmitFunction } from '@sveltejs/kit';
  import { runsLow, spoolGrams, spoolPrice } from '$lib/shared/spool';
  import { spoolTexts as say } from '$lib/texts/spools';
  import { inMoney } from '@kelbrin/core/inspect';
  import PutOn from '$lib/printroom/PutOn.svelte';
  import AskFirst from '$lib/ui/AskFirst.svelte';
  import NumberField from '$lib/ui/NumberField.svelte';
  import { follow } from '$lib/live/follow.svelte';

  let { data, form } = $props();

  /** The roll that is noted next. Rolls come by the box: all but the colour's name stays for the one after it. */
  let next = $state<{
    material: string;
    colour: string;
    colourName: string;
    gramsLeft: number | null;
    pricePerKg: number | null;
  }>({ material: 'PLA', colour: '#17695b', colourName: '', gramsLeft: 1000, pricePerKg: null });

  const addAnother: SubmitFunction =
    () =>
    async ({ result, update }) => {
      await update({ reset: false });
      if (result.type === 'success') next.colourName = '';
    };

  const hasPlaces = (printerId: string | null) =>
    data.places.some(({ id, place }) => id === printerId && place !== undefined);

  follow(() => ['printroom']);
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-5xl p-6">
  <div class="mb-1 flex items-baseline gap-4">
    <a href="/print-room" class="text-primary-800 underline underline-offset-2">{say.back}</a>
    <h1>{say.title}</h1>
  </div>
  <p class="text-ink-soft mb-4">{say.what}</p>
  {#if form && 'message' in form}
    <p role="alert" class="border-fail bg-fail-wash mb-4 border-l-4 px-3 py-2">{form.message}</p>
  {:else if form && 'added' in form}
    <p role="status" class="border-pass bg-pass-wash mb-4 border-l-4 px-3 py-2">{say.sticker(form.added)}</p>
  {/if}
  <ul class="sheet divide-hairline mb-6 divide-y">
    {#each data.spools as { spool, printer, drying } (spool.id)}
      <li class="flex flex-wrap items-center gap-4 px-4 py-3" aria-label="{say.spool} {spool.number}">
        <span class="border-hairline h-6 w-6 rounded-full border" style="background: {spool.colour}"></span>
        <span class="w-56">
          <strong>{say.number(spool.number)}</strong>
          {spool.material}, {spool.colourName}
          {#if spool.pricePerKg !== null}
            <span class="text-ink-soft block text-sm"
              >{say.perKg(inMoney(spool.pricePerKg, data.school.currency))}</span
            >
          {/if}
          {#if drying}<span class="text-ink-soft block text-sm">{say.dry(drying)}</span>{/if}
        </span>
        <form method="POST" action="?/weigh" class="flex items-center gap-2" use:enhance>
          <input type="hidden" name="spool" value={spool.id} />
          <NumberField
            name="grams"
            {...spoolGrams}
            nudge={10}
            class="w-24 {runsLow(spool) ? 'text-warn-ink font-semibold' : ''}"
            label={say.weighed(spool.number)}
            title={say.weighed(spool.number)}
            kept={Math.round(spool.gramsLeft)}
          />
          <span class="text-ink-soft">g</span>
          <Button type="submit" size="xs" color="alternative">{say.weigh}</Button>
        </form>
        <span class="text-ink-soft w-24"
          >{printer ? say.on(printer, hasPlaces(spool.printerId) ? spool.place : undefined) : say.shelf}</span
        >
        <span class="ml-auto flex gap-2">
          {#if printer}
            <form method="POST" action="?/unload" use:enhance>
              <input type="hidden" name="spool" value={spool.id} />
              <Button type="submit" size="xs" color="alternative">{say.unload}</Button>
            </form>
          {:else}
            <PutOn {spool} places={data.places} />
          {/if}
          <AskFirst
            label={say.gone}
            name={say.goneNamed(spool.number)}
            title={say.goneTitle(spool.number)}
            what={say.goneWhat(printer, Math.round(spool.gramsLeft))}
            action="?/end"
            fields={{ spool: spool.id }}
          />
        </span>
      </li>
    {/each}
  </ul>
  <form
    method="POST"
    action="?/add"
    class="sheet flex flex-wrap items-end gap-3 p-4"
    use:enhance={addAnother}
  >
    <label>
      {say.material}
      <Input name="material" class="mt-1 w-28" maxlength={24} bind:value={next.material} />
    </label>
    <label>
      {say.colour}
      <input
        name="colour"
        type="color"
        class="border-hairline mt-1 block h-10.5 w-16 rounded border"
        bind:value={next.colour}
      />
    </label>
    <label>
      {say.colourName}
      <Input name="colourName" class="mt-1 w-48" maxlength={40} bind:value={next.colourName} />
    </label>
    <label class="flex flex-col">
      {say.gramsLeft}
      <NumberField
        name="gramsLeft"
        {...spoolGrams}
        nudge={50}
        class="mt-1 h-10.5 w-28"
        kept={next.gramsLeft}
        onchange={(grams) => (next.gramsLeft = grams)}
      />
    </label>
    <label class="flex flex-col">
      {say.price}
      <NumberField
        name="pricePerKg"
        {...spoolPrice}
        optional
        class="mt-1 h-10.5 w-28"
        placeholder={data.school.currency}
        kept={next.pricePerKg}
        onchange={(price) => (next.pricePerKg = price)}
      />
    </label>
    <Button type="submit" color="alternative">{say.add}</Button>
  </form>
  {#if data.gone.length > 0}
    <details class="mt-4">
      <summary class="cursor-pointer">{say.goneList}</summary>
      <ul class="sheet divide-hairline mt-2 divide-y">
        {#each data.gone as spool (spool.id)}
          <li class="flex items-center gap-4 px-4 py-2" aria-label={say.goneSpool(spool.number)}>
            <strong>{say.number(spool.number)}</strong>
            <span class="text-ink-soft">{spool.material}, {spool.colourName}</span>
            <form method="POST" action="?/bringBack" use:enhance class="ml-auto">
              <input type="hidden" name="spool" value={spool.id} />
              <Button type="submit" size="xs" color="alternative">{say.bringBack}</Button>
            </form>
          </li>
        {/each}
      </ul>
    </details>
  {/if}
</main>
