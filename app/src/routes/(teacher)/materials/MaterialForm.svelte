<script lang="ts">
  import type { Material } from '@kelbrin/core/machine';
  import { Button } from 'flowbite-svelte';
  import { materialFields } from '$lib/shared/materialDraft';
  import { spoolPrice } from '$lib/shared/spool';
  import { enhance } from '$lib/ui/enhance';
  import KeptInput from '$lib/ui/KeptInput.svelte';
  import NumberField from '$lib/ui/NumberField.svelte';
  import { materialTexts as say } from '$lib/texts/materials';

  /** A material as it is written on; without an id it is a new one. */
  interface Props {
    material: {
      readonly id?: string;
      readonly name: string;
      readonly needs: Material;
      readonly pricePerKg: number | null;
      readonly drying: string;
    };
    currency: string;
  }
  let { material, currency }: Props = $props();
</script>

<form
  method="POST"
  action="?/save"
  class="flex flex-col gap-4"
  use:enhance={() =>
    ({ update }) =>
      update({ reset: false })}
>
  {#if material.id}<input type="hidden" name="id" value={material.id} />{/if}
  <div class="flex flex-wrap gap-x-8 gap-y-3">
    <label class="flex flex-col gap-1 text-sm">
      {say.name}
      <KeptInput name="name" class="w-40" maxlength={24} kept={material.name} />
    </label>
    <label class="flex flex-col gap-1 text-sm">
      {say.price}
      <NumberField
        name="pricePerKg"
        {...spoolPrice}
        optional
        class="h-10.5 w-28"
        placeholder={currency}
        kept={material.pricePerKg}
      />
    </label>
    <label class="flex min-w-60 flex-1 flex-col gap-1 text-sm">
      {say.drying}
      <KeptInput name="drying" maxlength={200} placeholder={say.dryingHint} kept={material.drying} />
    </label>
  </div>
  {#each materialFields as { title, fields } (title)}
    <fieldset>
      <legend class="mb-1 font-semibold">{title}</legend>
      <div class="grid grid-cols-2 gap-x-6 gap-y-2 md:grid-cols-4">
        {#each fields as { key, label, shown, per, ...rules } (key)}
          <label class="flex flex-col gap-1 text-sm">
            {label}
            <span class="flex items-center gap-2">
              <NumberField
                name={key}
                {...rules}
                class="w-24"
                kept={Math.round(material.needs[key] * per * 1000) / 1000}
              />
              <span class="text-ink-soft">{shown}</span>
            </span>
          </label>
        {/each}
      </div>
    </fieldset>
  {/each}
  <Button type="submit" size="sm" class="self-start">{say.save}</Button>
</form>
