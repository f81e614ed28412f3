<script lang="ts">
  import { Button, Label, Modal, Select } from 'flowbite-svelte';
  import { untrack } from 'svelte';
  import { fileName } from '@kelbrin/core/format';
  import type { Detail } from '@kelbrin/core/solid';
  import type { BenchState } from '../state/bench.svelte';
  import type { ExportedFile, ExportWish } from '../worker/messages';
  import { exportTexts as say } from '$lib/texts/export';

  interface Props {
    open: boolean;
    bench: BenchState;
    /** What the file is called after. */
    brief: string;
    part: string;
    author: string;
    /** The number that the next version will have. */
    version: number;
    /** The class's pattern of file names. */
    pattern: string;
    colour: string;
  }
  let { open = $bindable(false), bench, brief, part, author, version, pattern, colour }: Props = $props();

  const formats: Record<ExportWish['format'], { name: string; ending: string; type: string }> = {
    '3mf': { name: '3MF, with the recipe inside', ending: '3mf', type: 'model/3mf' },
    stl: { name: 'STL, binary', ending: 'stl', type: 'model/stl' },
    'ascii-stl': { name: 'STL, as text', ending: 'stl', type: 'model/stl' },
    obj: { name: 'OBJ', ending: 'obj', type: 'model/obj' },
    'plan-svg': { name: 'SVG of the plan', ending: 'svg', type: 'image/svg+xml' },
    'section-svg': { name: 'SVG of the section at the ruler’s cut', ending: 'svg', type: 'image/svg+xml' },
  };
  const details: { value: Detail; name: string }[] = [
    { value: 'fine', name: 'fine, as it was built' },
    { value: 'normal', name: 'normal, within 0.02 mm' },
    { value: 'coarse', name: 'coarse, within 0.1 mm' },
  ];

  let format = $state<ExportWish['format']>('3mf');
  let detail = $state<Detail>('fine');
  let file = $state.raw<ExportedFile>();
  let address = $state<string>();

  const isDrawing = $derived(format === 'plan-svg' || format === 'section-svg');
  const name = $derived(
    `${fileName(pattern, { brief, student: author, part, n: version })}.${formats[format].ending}`,
  );
  const words = $derived(
    file &&
      `${isDrawing ? '' : `${file.triangles.toLocaleString('en-GB')} triangles, `}${(file.bytes.length / 1024).toLocaleString('en-GB', { maximumFractionDigits: 1 })} kB`,
  );

  function forget(): void {
    if (address) URL.revokeObjectURL(address);
    address = file = undefined;
  }

  // A file is written as soon as it is chosen, so that its size is seen before it is taken.
  $effect(() => {
    // What was written before is not what is wished for now.
    untrack(forget);
    if (!open || !bench.solid) return;
    const { type } = formats[format];
    const notes = { title: `${brief}: ${part}`, author, colour, recipe: JSON.stringify(bench.recipe) };
    bench.export(
      { format, detail, zMm: bench.showing.cutMm ?? bench.solid.inspection.part.sizeMm[2] / 2, notes },
      (written) => {
        file = written;
        address = URL.createObjectURL(new Blob([written.bytes], { type }));
      },
    );
  });
</script>

<Modal bind:open title={say.exportPart} aria-label={say.exportPart} size="sm">
  <Label>
    {say.format}
    <Select
      class="mt-1"
      bind:value={format}
      items={Object.entries(formats).map(([value, each]) => ({ value, name: each.name }))}
    />
  </Label>
  {#if !isDrawing}
    <Label>{say.detail}<Select class="mt-1" placeholder="" bind:value={detail} items={details} /></Label>
  {/if}
  <p>
    <span class="measured break-all">{name}</span><br />
    <span class="text-ink-soft" data-testid="export-size">{words ?? say.beingWritten}</span>
  </p>
  {#snippet footer()}
    <Button href={address} download={name} disabled={!address}>{say.download}</Button>
    <Button color="alternative" onclick={() => (open = false)}>{say.close}</Button>
  {/snippet}
</Modal>
