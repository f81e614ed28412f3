<script lang="ts">
  import { numbersIn } from '$lib/shared/number';
  import NumberField from '$lib/ui/NumberField.svelte';
  import { untrack } from 'svelte';
  import { askBeforeLeaving } from '$lib/ui/askBeforeLeaving';
  import { enhance } from '$lib/ui/enhance';
  import { Button, Input, Select } from 'flowbite-svelte';
  import { limitAt, limitFields, withLimit } from '@kelbrin/core/inspect';
  import type { CardDraft } from '$lib/shared/cardDraft';
  import { limitsTexts as say } from '$lib/texts/limits';

  let { draft: given }: { draft: CardDraft } = $props();

  let draft = $state.raw(untrack(() => given));
  /** The state that the server has. */
  let kept = $state.raw(untrack(() => given));
  let wasSaved = $state(false);
  const isKept = $derived(JSON.stringify(draft) === JSON.stringify(kept));

  const edit = (change: Partial<CardDraft>) => {
    draft = { ...draft, ...change };
    wasSaved = false;
  };

  askBeforeLeaving(() => isKept, say.leave);
</script>

<form
  method="POST"
  action="?/save"
  class="sheet flex flex-col gap-5 p-5"
  use:enhance={({ formData }) => {
    const sent = draft;
    formData.set('draft', JSON.stringify(sent));
    return async ({ result, update }) => {
      if (result.type === 'success') {
        kept = sent;
        wasSaved = true;
      }
      await update({ reset: false });
    };
  }}
>
  <div class="grid grid-cols-2 gap-4">
    <label>
      {say.name}
      <Input class="mt-1" maxlength={80} bind:value={() => draft.name, (name) => edit({ name })} />
    </label>
    <label>
      {say.printerModel}
      <Input
        class="mt-1"
        maxlength={60}
        bind:value={() => draft.printerModel, (printerModel) => edit({ printerModel })}
      />
    </label>
    <label>
      {say.material}
      <Input
        class="mt-1"
        maxlength={24}
        bind:value={
          () => draft.card.material, (material) => edit({ card: { ...draft.card, material: material ?? '' } })
        }
      />
    </label>
  </div>
  <div class="grid gap-x-4 gap-y-3 md:grid-cols-2">
    <label>
      {say.layerHeights}
      <Input
        class="measured mt-1"
        value={draft.card.layerHeightsMm.join(', ')}
        onchange={(event) => {
          const heights = numbersIn((event.currentTarget as HTMLInputElement).value);
          edit({ card: { ...draft.card, layerHeightsMm: heights } });
        }}
      />
    </label>
    <label>
      {say.supports}
      <Select
        class="mt-1"
        placeholder=""
        items={Object.entries(say.supportStands).map(([value, name]) => ({ value, name }))}
        bind:value={
          () => draft.card.supports ?? 'none', (supports) => edit({ card: { ...draft.card, supports } })
        }
      />
      <span class="text-ink-soft text-sm">{say.supportsWhy}</span>
    </label>
  </div>
  {#each limitFields as { title, fields } (title)}
    <fieldset>
      <legend class="mb-2 text-lg font-semibold">{title}</legend>
      <div class="grid grid-cols-2 gap-x-8 gap-y-2 md:grid-cols-3">
        {#each fields as field (field.label)}
          <label class="flex flex-col gap-1 text-sm">
            {field.label}
            <span class="flex items-center gap-2">
              <NumberField
                min={-1000}
                max={100_000}
                class="w-28"
                unit={field.unit === 'mm²' ? '' : field.unit}
                kept={limitAt(draft.card, field)}
                onchange={(value) => value !== null && edit({ card: withLimit(draft.card, field, value) })}
              />
              <span class="text-ink-soft">{field.unit}</span>
            </span>
          </label>
        {/each}
      </div>
    </fieldset>
  {/each}
  <div class="flex items-center gap-4">
    <Button type="submit" disabled={isKept}>{say.save}</Button>
    <span class="text-ink-soft text-sm" role="status"
      >{!isKept ? `${say.unsaved} ${say.effect}` : wasSaved ? say.saved : say.effect}</span
    >
  </div>
</form>
<form method="POST" action="?/remove" class="mt-4 text-right" use:enhance>
  <Button type="submit" color="alternative" class="text-fail">{say.remove}</Button>
</form>
