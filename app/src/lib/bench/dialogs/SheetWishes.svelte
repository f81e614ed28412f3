<script lang="ts">
  import { Label, Select } from 'flowbite-svelte';
  import { papers, scales, scaleWords, type Paper, type SheetWish } from '@kelbrin/core/sheet';
  import { exportTexts as say } from '$lib/texts/export';

  /** How a drawing sheet is laid out. */
  let { wish = $bindable() }: { wish: SheetWish } = $props();

  const named = <Name extends string>(names: Readonly<Record<Name, string>>) =>
    (Object.keys(names) as Name[]).map((value) => ({ value, name: names[value] }));
  const paperItems = $derived(
    (Object.keys(papers) as Paper[]).map((value) => ({ value, name: say.papers[value] })),
  );
  const scaleItems = [
    { value: 0, name: say.scaleFits },
    ...scales.map((value) => ({ value: value as number, name: scaleWords(value) })),
  ];
</script>

<fieldset class="grid grid-cols-2 gap-3 sm:grid-cols-4" aria-label={say.sheet}>
  <Label>
    {say.paper}
    <Select
      class="mt-1 truncate pr-9"
      placeholder=""
      items={paperItems}
      bind:value={() => wish.paper, (paper) => (wish = { ...wish, paper })}
    />
  </Label>
  <Label>
    {say.scale}
    <Select
      class="mt-1 truncate pr-9"
      placeholder=""
      items={scaleItems}
      bind:value={
        () => wish.scale ?? 0, (value) => (wish = { ...wish, scale: scales.find((each) => each === value) })
      }
    />
  </Label>
  <Label>
    {say.views}
    <Select
      class="mt-1 truncate pr-9"
      placeholder=""
      items={named(say.projections)}
      bind:value={() => wish.projection, (projection) => (wish = { ...wish, projection })}
    />
  </Label>
  <Label>
    {say.section}
    <Select
      class="mt-1 truncate pr-9"
      placeholder=""
      items={named(say.sections)}
      bind:value={() => wish.section, (section) => (wish = { ...wish, section })}
    />
  </Label>
</fieldset>
