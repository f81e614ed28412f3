<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button, Input } from 'flowbite-svelte';
  import { runsLow } from '$lib/shared/spool';
  import { spoolTexts as say } from '$lib/texts/spools';
  import { inMoney } from '$lib/ui/money';
  import { follow } from '$lib/live/follow.svelte';

  let { data, form } = $props();

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
    {#each data.spools as { spool, printer } (spool.id)}
      <li class="flex flex-wrap items-center gap-4 px-4 py-3" aria-label="{say.spool} {spool.number}">
        <span class="border-hairline h-6 w-6 rounded-full border" style="background: {spool.colour}"></span>
        <span class="w-56">
          <strong>{say.number(spool.number)}</strong>
          {spool.material}, {spool.colourName}
          {#if spool.pricePerKg !== null}
            <span class="text-ink-soft block text-sm">{say.perKg(inMoney(spool.pricePerKg))}</span>
          {/if}
        </span>
        <form method="POST" action="?/weigh" class="flex items-center gap-2" use:enhance>
          <input type="hidden" name="spool" value={spool.id} />
          <input
            name="grams"
            type="number"
            min="0"
            max="10000"
            step="any"
            class="measured border-hairline w-24 rounded px-2 py-1 text-right {runsLow(spool)
              ? 'text-warn-ink font-semibold'
              : ''}"
            aria-label={say.weighed(spool.number)}
            title={say.weighed(spool.number)}
            defaultValue={Math.round(spool.gramsLeft)}
          />
          <span class="text-ink-soft">g</span>
          <Button type="submit" size="xs" color="alternative">{say.weigh}</Button>
        </form>
        <span class="text-ink-soft w-32">{printer ? say.on(printer) : say.shelf}</span>
        <span class="ml-auto flex gap-2">
          {#if printer}
            <form method="POST" action="?/unload" use:enhance>
              <input type="hidden" name="spool" value={spool.id} />
              <Button type="submit" size="xs" color="alternative">{say.unload}</Button>
            </form>
          {:else}
            <form method="POST" action="?/load" class="flex gap-2" use:enhance>
              <input type="hidden" name="spool" value={spool.id} />
              {#each data.printers as { id, name, isBusy } (id)}
                <Button
                  type="submit"
                  name="printer"
                  value={id}
                  size="xs"
                  color="alternative"
                  disabled={isBusy}
                  title={isBusy ? say.isPrinting(name) : undefined}>{say.load(name)}</Button
                >
              {/each}
            </form>
          {/if}
          <form method="POST" action="?/end" use:enhance>
            <input type="hidden" name="spool" value={spool.id} />
            <Button type="submit" size="xs" color="alternative">{say.gone}</Button>
          </form>
        </span>
      </li>
    {/each}
  </ul>
  <form method="POST" action="?/add" class="sheet flex flex-wrap items-end gap-3 p-4" use:enhance>
    <label>
      {say.material}
      <Input name="material" class="mt-1 w-28" maxlength={24} value="PLA" />
    </label>
    <label>
      {say.colour}
      <input
        name="colour"
        type="color"
        class="border-hairline mt-1 block h-10.5 w-16 rounded border"
        value="#17695b"
      />
    </label>
    <label>
      {say.colourName}
      <Input name="colourName" class="mt-1 w-48" maxlength={40} />
    </label>
    <label>
      {say.gramsLeft}
      <Input name="gramsLeft" type="number" min="0" max="10000" class="measured mt-1 w-28" value={1000} />
    </label>
    <label>
      {say.price}
      <Input name="pricePerKg" type="number" min="0" step="0.01" class="measured mt-1 w-28" placeholder="£" />
    </label>
    <Button type="submit" color="alternative">{say.add}</Button>
  </form>
</main>
