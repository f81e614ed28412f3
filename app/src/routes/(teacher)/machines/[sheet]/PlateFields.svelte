<script lang="ts">
  import { Select } from 'flowbite-svelte';
  import { plateSize, type MachineSheet } from '@kelbrin/core/machine';
  import NumberField from '$lib/ui/NumberField.svelte';
  import { machinesTexts as say } from '$lib/texts/machines';

  /** The plate of a model: its shape and sizes, and where it is counted from. */
  interface Props {
    sheet: MachineSheet;
    onchange(change: Partial<MachineSheet>): void;
  }
  let { sheet, onchange }: Props = $props();

  const SIZE = { min: 20, max: 2000 } as const;
  const { plate } = $derived(sheet);

  /** Another shape of about the same size. */
  function turnInto(shape: 'rectangle' | 'round'): void {
    const [widthMm, depthMm] = plateSize(plate);
    if (shape === plate.shape) return;
    if (shape === 'round') onchange({ plate: { shape, diameterMm: Math.min(widthMm, depthMm) } });
    else onchange({ plate: { shape, widthMm, depthMm } });
  }
</script>

{#snippet size(label: string, mm: number, take: (value: number) => void)}
  <label class="flex flex-col gap-1 text-sm">
    {label}
    <span class="flex items-center gap-2">
      <NumberField
        {...SIZE}
        class="w-24"
        unit="mm"
        kept={mm}
        onchange={(value) => value !== null && take(value)}
      />
      <span class="text-ink-soft">mm</span>
    </span>
  </label>
{/snippet}

<fieldset>
  <legend class="mb-2 text-lg font-semibold">{say.plate}</legend>
  <div class="flex flex-wrap items-end gap-x-8 gap-y-3">
    <label class="flex flex-col gap-1 text-sm">
      {say.shape}
      <Select
        class="w-36"
        placeholder=""
        items={[
          { value: 'rectangle' as const, name: say.rectangle },
          { value: 'round' as const, name: say.round },
        ]}
        bind:value={() => plate.shape, turnInto}
      />
    </label>
    {#if plate.shape === 'round'}
      {@render size(say.diameter, plate.diameterMm, (diameterMm) =>
        onchange({ plate: { ...plate, diameterMm } }),
      )}
    {:else}
      {@render size(say.width, plate.widthMm, (widthMm) => onchange({ plate: { ...plate, widthMm } }))}
      {@render size(say.depth, plate.depthMm, (depthMm) => onchange({ plate: { ...plate, depthMm } }))}
    {/if}
    {@render size(say.height, sheet.heightMm, (heightMm) => onchange({ heightMm }))}
    <label class="flex flex-col gap-1 text-sm">
      {say.origin}
      <Select
        class="w-56"
        placeholder=""
        items={[
          { value: 'frontLeft' as const, name: say.origins.frontLeft },
          { value: 'middle' as const, name: say.origins.middle },
        ]}
        bind:value={() => sheet.origin, (origin) => onchange({ origin })}
      />
    </label>
  </div>
</fieldset>
