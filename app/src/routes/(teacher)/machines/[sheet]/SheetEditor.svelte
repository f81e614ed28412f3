<script lang="ts">
  import { untrack } from 'svelte';
  import { Button, Checkbox, Input, Select } from 'flowbite-svelte';
  import {
    figureAt,
    sheetFields,
    withFigure,
    type CodePlace,
    type CodeValues,
    type MachineSheet,
  } from '@kelbrin/core/machine';
  import { withUnit } from '@kelbrin/core/recipe';
  import { codePlaces } from '$lib/shared/machineDraft';
  import { numbersIn } from '$lib/shared/number';
  import { askBeforeLeaving } from '$lib/ui/askBeforeLeaving';
  import { enhance } from '$lib/ui/enhance';
  import AskFirst from '$lib/ui/AskFirst.svelte';
  import NumberField from '$lib/ui/NumberField.svelte';
  import { machinesTexts as say } from '$lib/texts/machines';
  import CodeField from './CodeField.svelte';
  import PlateFields from './PlateFields.svelte';

  /** A machine sheet, as it is written on, and what its code can name of the newest batch. */
  interface Props {
    sheet: MachineSheet;
    batch: { readonly name: string; readonly values: CodeValues } | undefined;
  }
  let { sheet: given, batch }: Props = $props();

  let draft = $state.raw(untrack(() => given));
  /** The state that the server has. */
  let kept = $state.raw(untrack(() => given));
  let wasSaved = $state(false);
  const isKept = $derived(JSON.stringify(draft) === JSON.stringify(kept));

  const has = ['heatsPlate', 'hasChamber', 'levels'] as const;
  const understands = [
    'takesAccelerations',
    'takesCorners',
    'takesArcs',
    'retractsByItself',
    'showsThumbnails',
  ] as const;
  const fans = [255, 100, 1] as const;

  function edit(change: Partial<MachineSheet>): void {
    draft = { ...draft, ...change };
    wasSaved = false;
  }
  const editDialect = (change: Partial<MachineSheet['dialect']>) =>
    edit({ dialect: { ...draft.dialect, ...change } });

  askBeforeLeaving(() => isKept, say.leave);

  /** A printer with one filament never changes it by itself. */
  const places = $derived(
    (Object.keys(codePlaces) as CodePlace[]).filter(
      (place) => place !== 'filamentChange' || draft.filaments > 1,
    ),
  );
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
  <label class="max-w-80">
    {say.name}
    <Input class="mt-1" maxlength={60} bind:value={() => draft.name, (name) => edit({ name: name ?? '' })} />
  </label>
  <PlateFields sheet={draft} onchange={edit} />
  <fieldset>
    <legend class="mb-2 text-lg font-semibold">{say.filament}</legend>
    <div class="flex flex-wrap items-end gap-x-8 gap-y-3">
      <label class="flex flex-col gap-1 text-sm">
        {say.filamentMm}
        <Select
          class="w-32"
          placeholder=""
          items={[1.75, 2.85].map((mm) => ({ value: mm, name: withUnit(mm, 'mm') }))}
          bind:value={() => draft.filamentMm, (filamentMm) => edit({ filamentMm })}
        />
      </label>
      <label class="flex flex-col gap-1 text-sm">
        {say.nozzles}
        <Input
          class="measured w-52"
          value={draft.nozzlesMm.join(', ')}
          onchange={(event) =>
            edit({ nozzlesMm: numbersIn((event.currentTarget as HTMLInputElement).value) })}
        />
      </label>
      <label class="flex flex-col gap-1 text-sm">
        {say.filaments}
        <NumberField
          class="w-20"
          min={1}
          max={8}
          whole
          kept={draft.filaments}
          onchange={(filaments) => filaments !== null && edit({ filaments })}
        />
      </label>
    </div>
  </fieldset>
  <fieldset>
    <legend class="mb-2 text-lg font-semibold">{say.has}</legend>
    <div class="flex flex-wrap gap-x-8 gap-y-2">
      {#each has as key (key)}
        <Checkbox checked={draft[key]} onchange={(event) => edit({ [key]: event.currentTarget.checked })}
          >{say[key]}</Checkbox
        >
      {/each}
    </div>
  </fieldset>
  {#each sheetFields as { title, fields } (title)}
    <fieldset>
      <legend class="mb-2 text-lg font-semibold">{title}</legend>
      <div class="grid grid-cols-2 gap-x-8 gap-y-2 md:grid-cols-4">
        {#each fields as field (field.label)}
          <label class="flex flex-col gap-1 text-sm">
            {field.label}
            <span class="flex items-center gap-2">
              <NumberField
                min={field.min}
                max={field.max}
                class="w-28"
                unit={field.unit === 'mm' ? 'mm' : ''}
                kept={figureAt(draft, field)}
                onchange={(value) => value !== null && edit(withFigure(draft, field, value))}
              />
              <span class="text-ink-soft">{field.unit}</span>
            </span>
          </label>
        {/each}
      </div>
    </fieldset>
  {/each}
  <fieldset>
    <legend class="mb-2 text-lg font-semibold">{say.dialect}</legend>
    <div class="flex flex-wrap gap-x-8 gap-y-2">
      {#each understands as key (key)}
        <Checkbox
          checked={draft.dialect[key]}
          onchange={(event) => editDialect({ [key]: event.currentTarget.checked })}>{say[key]}</Checkbox
        >
      {/each}
    </div>
    <div class="mt-3 flex flex-wrap gap-x-8 gap-y-3">
      <label class="flex flex-col gap-1 text-sm">
        {say.fanFull}
        <Select
          class="w-28"
          placeholder=""
          items={fans.map((full) => ({ value: full, name: String(full) }))}
          bind:value={() => draft.dialect.fanFull, (fanFull) => editDialect({ fanFull })}
        />
      </label>
      <label class="flex flex-col gap-1 text-sm">
        {say.filamentCounts}
        <Select
          class="w-52"
          placeholder=""
          items={[
            { value: 'relative' as const, name: say.counts.relative },
            { value: 'absolute' as const, name: say.counts.absolute },
          ]}
          bind:value={() => draft.dialect.filament, (filament) => editDialect({ filament })}
        />
      </label>
    </div>
  </fieldset>
  <fieldset class="flex flex-col gap-4">
    <legend class="mb-2 text-lg font-semibold">{say.code}</legend>
    <p class="text-ink-soft text-sm">{say.codeHow}</p>
    {#each places as place (place)}
      <CodeField
        sheet={draft}
        {place}
        {batch}
        onchange={(code) => edit({ code: { ...draft.code, [place]: code } })}
      />
    {/each}
  </fieldset>
  <div class="flex items-center gap-4">
    <Button type="submit" disabled={isKept}>{say.save}</Button>
    <span class="text-ink-soft text-sm" role="status"
      >{isKept ? (wasSaved ? say.saved : '') : say.unsaved}</span
    >
  </div>
</form>
<div class="mt-4 flex justify-end">
  <AskFirst
    label={say.remove}
    title={say.removeTitle(draft.name)}
    what={say.removeWhat}
    action="?/remove"
    size="sm"
  />
</div>
